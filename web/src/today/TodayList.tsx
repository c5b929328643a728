import { Fragment, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { leftWords } from '../archive/dates/dateWords';
import { Blind } from '../blind/Blind';
import { say } from '../messages/rooms';
import { Button } from '../ui/parts';
import { dateTime, lasting, shortDate } from '../ui/time';
import { nextOf, openedBy, waitingFor } from '../ui/words';
import type { Group, Row } from './groups';

type Column = {
  id: string;
  title: string;
  width: string;
  cell: (row: Row) => ReactNode;
  /** Whether a row has something in it. */
  has: (row: Row) => boolean;
};

const columns: Column[] = [
  {
    id: 'route',
    title: say('agreements.route'),
    width: '5rem',
    has: ({ agreement }) => agreement !== undefined,
    cell: ({ agreement }) =>
      agreement && <Blind slats={agreement.route} sealed={agreement.state === 'COMPLETED'} />,
  },
  {
    id: 'number',
    title: say('agreements.number'),
    width: '8.5rem',
    has: () => true,
    cell: ({ number, to }) => (
      <Link to={to} className="whitespace-nowrap">
        {number}
      </Link>
    ),
  },
  {
    id: 'title',
    title: say('today.what'),
    width: 'auto',
    has: () => true,
    cell: ({ title, reason }) =>
      reason ? (
        <span className="text-oxide" title={reason}>
          {reason}
        </span>
      ) : (
        <span title={title}>{title}</span>
      ),
  },
  {
    id: 'template',
    title: say('agreements.template'),
    width: '11rem',
    has: ({ template }) => template !== '',
    cell: ({ template }) => <span className="text-soft">{template}</span>,
  },
  {
    id: 'waits',
    title: say('agreements.waits-for'),
    width: '11rem',
    has: ({ agreement }) => agreement !== undefined && waitingFor(agreement) !== '',
    cell: ({ agreement }) => agreement && waitingFor(agreement),
  },
  {
    id: 'opened',
    title: say('agreements.opened'),
    width: '5.5rem',
    has: ({ agreement }) => agreement !== undefined && openedBy(agreement) !== '',
    cell: ({ agreement }) => agreement && <span className="text-soft">{openedBy(agreement)}</span>,
  },
  {
    id: 'since',
    title: say('today.column-since'),
    width: '8.5rem',
    has: () => true,
    cell: (row) => (
      <span title={row.left === undefined ? dateTime(row.since) : undefined}>
        <span className={row.left !== undefined && row.left < 0 ? 'text-oxide' : ''}>
          {row.left === undefined ? lasting(row.since) : leftWords(row.left)}
        </span>{' '}
        <span className="text-soft">{shortDate(row.since)}</span>
      </span>
    ),
  },
  {
    id: 'next',
    title: say('today.next'),
    width: '12rem',
    has: ({ agreement }) => Boolean(agreement?.next),
    cell: ({ agreement }) =>
      agreement?.next && <span title={dateTime(agreement.next.at)}>{nextOf(agreement.next)}</span>,
  },
];

/** One list in groups under one header; a column that a group has nothing in gives its room to the one before. */
export function TodayList({
  groups,
  onAct,
  busy,
  onMore,
}: {
  groups: Group[];
  /** Does the next act with a row where that is more than opening it; whether it did. */
  onAct: (group: Group, row: Row) => boolean;
  busy: boolean;
  onMore: () => void;
}) {
  const navigate = useNavigate();
  const table = useRef<HTMLTableElement>(null);
  const full = groups.filter(({ rows }) => rows.length > 0);
  const shown = columns.filter(({ has }) => full.some(({ rows }) => rows.some(has)));
  const act = (group: Group, row: Row) => {
    if (!onAct(group, row)) void navigate(row.to);
  };
  function walk(event: KeyboardEvent<HTMLTableRowElement>, group: Group, row: Row) {
    if (event.target !== event.currentTarget) return;
    const all = [...(table.current?.querySelectorAll<HTMLElement>('tr[data-row]') ?? [])];
    const at = all.indexOf(event.currentTarget);
    const next = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[event.key];
    if (next !== undefined) {
      event.preventDefault();
      all[Math.max(0, Math.min(next, all.length - 1))]?.focus();
    } else if (event.key === 'Enter' && !event.ctrlKey) {
      act(group, row);
    }
  }
  return (
    <table
      ref={table}
      aria-label={say('today.today')}
      className="w-full table-fixed border-collapse text-left"
    >
      <colgroup>
        {shown.map(({ id, width }) => (
          <col key={id} style={{ width }} />
        ))}
        <col style={{ width: '8rem' }} />
      </colgroup>
      <thead>
        <tr className="border-b border-edge text-soft">
          {shown.map(({ id, title }) => (
            <th
              key={id}
              scope="col"
              className="sticky top-0 z-10 h-8 truncate bg-paper px-2 font-medium"
            >
              {title}
            </th>
          ))}
          <th scope="col" className="sticky top-0 z-10 bg-paper px-2 font-medium">
            {say('today.next-act')}
          </th>
        </tr>
      </thead>
      {full.map((group, g) => {
        const cells = cellsOf(shown, group);
        return (
          <Fragment key={group.name}>
            <tbody className="[&>tr:nth-child(odd)]:bg-slatted">
              <tr className="bg-paper! h-9">
                <th
                  scope="rowgroup"
                  colSpan={shown.length + 1}
                  className="px-2 pt-3 text-left font-serif text-lg font-medium"
                >
                  {group.title} <span className="font-sans text-base text-soft">{group.total}</span>
                </th>
              </tr>
              {group.rows.map((row, i) => (
                <tr
                  key={row.key}
                  data-row=""
                  tabIndex={g === 0 && i === 0 ? 0 : -1}
                  className="h-9 border-b border-rule"
                  onKeyDown={(event) => walk(event, group, row)}
                >
                  {cells.map(({ column, span }) => (
                    <td key={column.id} colSpan={span} className="px-2 py-1 wrap-anywhere">
                      {column.cell(row)}
                    </td>
                  ))}
                  <td className="px-1">
                    <Button
                      className="min-h-7 w-full justify-center px-1"
                      disabled={busy}
                      onClick={() => act(group, row)}
                    >
                      {group.act} <span className="sr-only">{row.number}</span>
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
            {group.more && group.total > group.rows.length && (
              <tbody>
                <tr>
                  <td colSpan={shown.length + 1} className="px-2 py-1">
                    <Button onClick={onMore}>
                      {say('today.show-older', { left: group.total - group.rows.length })}
                    </Button>
                  </td>
                </tr>
              </tbody>
            )}
          </Fragment>
        );
      })}
    </table>
  );
}

/** The columns of a group; one that is empty in it gives its room to the one before, the first to the one behind. */
export function cellsOf(
  shown: Column[],
  { rows }: Pick<Group, 'rows'>,
): { column: Column; span: number }[] {
  const cells: { column: Column; span: number }[] = [];
  let waiting = 0;
  for (const column of shown) {
    const last = cells.at(-1);
    if (rows.some(column.has)) {
      cells.push({ column, span: 1 + waiting });
      waiting = 0;
    } else if (last) last.span += 1;
    else waiting += 1;
  }
  return cells;
}
