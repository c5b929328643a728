import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Chips, Pager } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { Trouble } from '../ui/parts';
import { MendCell } from './MendCell';
import { outcomeWords, type Outcome } from './words';

type Row = Schemas['TableRow'];

/** Rows of a second table have numbers after this one. */
const afterFirst = 10_000_000;

/** A row's number in its file, which is said where it isn't the first one. */
const numberOf = (number: number, second: string) =>
  number > afterFirst ? `${second} ${number - afterFirst}` : String(number);

/** What comes of a row, or what was made of it. */
function OutcomeOf({ row, second }: { row: Row; second: string }) {
  const { agreement } = row.made;
  if (agreement) return <Link to={`/agreements/${agreement}`}>{agreement}</Link>;
  if (row.belongsTo) return say('tables.goes-with', { row: numberOf(row.belongsTo, second) });
  return say(outcomeWords[row.outcome]);
}

/** The table's rows with what would come of each, or has; cells can be typed over as long as nothing was made of their row. */
export function TableRows({
  table,
  mendable,
}: {
  table: Schemas['TableDetail'];
  mendable: boolean;
}) {
  const { params, page, go } = useListPlace();
  const asked = (params.get('outcome') ?? '') as Outcome | '';
  const counted = table.outcomes.filter(({ count }) => count > 0);
  const outcome = counted.some((one) => one.outcome === asked) ? asked : '';
  const rows = useQuery({
    queryKey: ['table-rows', table.id, table.revision, table.state, outcome, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/tables/{id}/rows', {
          params: {
            path: { id: table.id },
            query: { page, ...(outcome ? { outcome } : {}) },
          },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const { heads, settings, fields } = table;
  const second = table.second?.name ?? '';
  const labelOf = (at: number) => {
    const join = settings.joins[at];
    return fields.find(({ name }) => name === join)?.label;
  };
  // what is about a datum that no column is joined to has a place of its own
  const general = (row: Row) =>
    Object.entries(row.faults).filter(([name]) => !name || !settings.joins.includes(name));
  const told = rows.data?.items.some((row) => general(row).length > 0);
  return (
    <section aria-label={say('tables.rows')}>
      <Chips
        label={say('tables.what-comes-of-them')}
        options={counted.map((one) => ({
          value: one.outcome,
          words: say('tables.outcome-count', {
            outcome: say(outcomeWords[one.outcome]),
            count: one.count,
          }),
        }))}
        chosen={outcome}
        onChoose={(value) => go({ outcome: value, page: '' })}
      />
      <Trouble error={rows.error} />
      {rows.data && (
        <>
          <div className="overflow-x-auto">
            <table aria-label={say('tables.rows')} className="min-w-full border-collapse text-left">
              <thead>
                <tr className="border-b border-edge text-soft">
                  <th scope="col" className="h-8 px-2 font-medium">
                    {say('tables.row')}
                  </th>
                  <th scope="col" className="px-2 font-medium whitespace-nowrap">
                    {say('tables.what-comes')}
                  </th>
                  {told && (
                    <th scope="col" className="px-2 font-medium">
                      {say('tables.what-is-wrong')}
                    </th>
                  )}
                  {heads.map((head, i) => (
                    <th key={i} scope="col" className="px-2 font-medium">
                      {labelOf(i) ?? <span className="font-normal italic">{head}</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody className="[&>tr:nth-child(even)]:bg-slatted">
                {rows.data.items.map((row) => (
                  <tr key={row.number} className="border-b border-rule align-top">
                    <td className="px-2 py-1 tabular-nums text-soft">
                      {numberOf(row.number, second)}
                    </td>
                    <td
                      className={`px-2 py-1 whitespace-nowrap ${row.outcome === 'FAULTY' ? 'text-oxide' : row.outcome === 'DONE' ? 'text-moss' : ''}`}
                    >
                      <OutcomeOf row={row} second={second} />
                    </td>
                    {told && (
                      <td className="min-w-48 px-2 py-1 text-oxide">
                        {general(row).map(([name, fault]) => (
                          <p key={name}>{fault}</p>
                        ))}
                      </td>
                    )}
                    {heads.map((head, i) => (
                      <td key={i} className="px-1 py-0.5">
                        <MendCell
                          table={table}
                          row={row}
                          column={i}
                          label={labelOf(i) ?? head}
                          mendable={
                            mendable &&
                            row.outcome !== 'DONE' &&
                            (Boolean(labelOf(i)) || i === settings.together - 1)
                          }
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <Pager {...rows.data} onPage={(page) => go({ page })} />
        </>
      )}
    </section>
  );
}
