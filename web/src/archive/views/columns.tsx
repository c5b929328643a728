import { agreementColumns } from '../../agreements/agreementColumns';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { date } from '../../ui/time';
import type { ArchiveColumn, State } from './asked';

type Item = Schemas['AgreementItem'];

const numbers = ['NUMBER', 'MONEY'];

const widths: Partial<Record<ArchiveColumn['kind'], number>> = {
  NUMBER: 90,
  MONEY: 140,
  DATE: 120,
  MOMENT: 170,
  YES_NO: 80,
};

/** What every agreement has, and what the template has made columns of. */
export function archiveColumns(
  state: State,
  columns: ArchiveColumn[],
  several: boolean,
): Column<Item>[] {
  const room = state === 'COMPLETED' ? '/archive' : '/agreements';
  const own = ['route', 'number', 'title', ...(several ? ['template'] : [])];
  return [
    ...agreementColumns(room).filter(({ id }) => own.includes(id)),
    ...columns.map((column): Column<Item> => ({
      id: `data_${column.key.replace('.', '_')}`,
      title: column.label,
      width: widths[column.kind] ?? 180,
      sort: `data.${column.key}`,
      cell: ({ data }) =>
        numbers.includes(column.kind) ? (
          <span className="block text-right tabular-nums">{data[column.key]}</span>
        ) : (
          data[column.key]
        ),
    })),
    {
      id: 'since',
      title: say('archive.ended'),
      width: 120,
      sort: 'since',
      cell: (item) => <span className="text-soft">{date(item.since)}</span>,
    },
  ];
}

/** What the numbers of a column come to, such as “€ 12,500.00 and £ 300.00”. */
export function sumWords(group: Schemas['GroupView'], column: ArchiveColumn): string {
  return group.sums
    .filter((sum) => sum.column === column.key)
    .map(({ unit, total }) =>
      unit
        ? new Intl.NumberFormat('en-GB', { style: 'currency', currency: unit }).format(
            total as Intl.StringNumericLiteral,
          )
        : new Intl.NumberFormat('en-GB', { maximumFractionDigits: 10 }).format(
            total as Intl.StringNumericLiteral,
          ),
    )
    .join(', ');
}

/** A month such as 2027-03 in words. */
export function monthWords(month: string): string {
  return new Date(`${month}-01T00:00:00Z`).toLocaleDateString('en-GB', {
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });
}
