import { useState, type ReactNode } from 'react';
import { say } from '../../messages/rooms';
import { Filter } from '../../ui/list/ListTools';
import { Empty } from '../../ui/parts';
import { ordered, type Sortable } from './order';
import { useLedgerPlace } from './useLedgerPlace';

export type LedgerColumn<T> = Sortable<T> & {
  title: string;
  width?: string;
  cell: (row: T) => ReactNode;
};

/** A dense table whose cells are edited in place, and whose rows can be changed several at once. */
export function LedgerTable<T>({
  label,
  rows,
  columns,
  keyOf,
  wordsOf,
  fixed,
  several,
  tools,
  empty,
}: {
  label: string;
  rows: T[];
  columns: LedgerColumn<T>[];
  keyOf: (row: T) => string;
  /** What a row is called, and what the filter looks at. */
  wordsOf: (row: T) => string;
  fixed: boolean;
  /** What can be done with the rows that are chosen. */
  several: (chosen: T[], onDone: () => void) => ReactNode;
  tools?: ReactNode;
  empty: string;
}) {
  const { find, sort, onFind, onSort } = useLedgerPlace();
  const [keys, setKeys] = useState<ReadonlySet<string>>(new Set());
  const shown = ordered(rows, columns, sort, find, wordsOf);
  const chosen = shown.filter((row) => keys.has(keyOf(row)));
  const all = shown.length > 0 && chosen.length === shown.length;
  const choose = (row: T, on: boolean) => {
    const next = new Set(keys);
    if (on) next.add(keyOf(row));
    else next.delete(keyOf(row));
    setKeys(next);
  };
  if (!rows.length) {
    return (
      <>
        <Empty>{empty}</Empty>
        <div className="flex gap-2 pt-2">{tools}</div>
      </>
    );
  }
  return (
    <>
      <div className="flex min-h-11 flex-wrap items-center gap-3 pb-2">
        <Filter label={say('templates.filter-the-table')} value={find} onChange={onFind} />
        {tools}
        {chosen.length > 0 && (
          <div
            role="group"
            aria-label={say('templates.change-chosen')}
            className="flex flex-wrap items-center gap-2 border-l-4 border-slate bg-sheet px-3 py-1"
          >
            <span>{say('templates.rows-chosen', { count: chosen.length })}</span>
            {several(chosen, () => setKeys(new Set()))}
          </div>
        )}
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={label}>
        <table aria-label={label} className="w-full border-collapse text-left">
          <thead>
            <tr className="border-b border-edge text-soft">
              {!fixed && (
                <th className="w-8 px-2">
                  <input
                    type="checkbox"
                    className="size-5 align-middle"
                    aria-label={say('templates.choose-all-rows')}
                    checked={all}
                    onChange={(event) =>
                      setKeys(new Set(event.target.checked ? shown.map(keyOf) : []))
                    }
                  />
                </th>
              )}
              {columns.map((column) => (
                <Head key={column.id} column={column} sort={sort} onSort={onSort} />
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => (
              <tr
                key={keyOf(row)}
                className={`border-b border-rule even:bg-slatted ${keys.has(keyOf(row)) ? 'outline outline-1 outline-slate' : ''}`}
              >
                {!fixed && (
                  <td className="px-2">
                    <input
                      type="checkbox"
                      className="size-5 align-middle"
                      aria-label={say('templates.choose-row', { row: wordsOf(row) })}
                      checked={keys.has(keyOf(row))}
                      onChange={(event) => choose(row, event.target.checked)}
                    />
                  </td>
                )}
                {columns.map((column) => (
                  <td key={column.id} className="px-1 py-0.5">
                    {column.cell(row)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {!shown.length && <p className="py-3 text-soft">{say('templates.no-row-has-that')}</p>}
    </>
  );
}

function Head<T>({
  column: { id, title, width, sort: value },
  sort,
  onSort,
}: {
  column: LedgerColumn<T>;
  sort: string;
  onSort: (sort: string) => void;
}) {
  const up = sort === id;
  const down = sort === `-${id}`;
  return (
    <th
      scope="col"
      style={width ? { width } : undefined}
      aria-sort={up ? 'ascending' : down ? 'descending' : undefined}
      className="h-8 px-1 font-medium whitespace-nowrap"
    >
      {value ? (
        <button
          type="button"
          className="min-h-6 font-medium"
          onClick={() => onSort(up ? `-${id}` : down ? '' : id)}
        >
          {title}
          <span aria-hidden="true">{up ? ' ↑' : down ? ' ↓' : ''}</span>
        </button>
      ) : (
        title
      )}
    </th>
  );
}

/** Inputs in a table: no frame until they are pointed at or typed in. */
export const cellLook =
  'min-h-8 w-full rounded-sm border border-transparent bg-transparent px-1 text-ink hover:border-edge focus:border-edge focus:bg-sheet disabled:hover:border-transparent';
