import { say } from '../../messages/rooms';
import {
  columnResizingFeature,
  columnSizingFeature,
  createColumnHelper,
  tableFeatures,
  useTable,
  type Header,
} from '@tanstack/react-table';
import { Fragment, useMemo, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Pager } from './ListTools';
import { writeWidths, type ListPlace } from './useListPlace';

const features = tableFeatures({ columnSizingFeature, columnResizingFeature });
const narrowest = 48;

/** One column: what it is called, how a row shows in it, and whether the server can sort by it. */
export type Column<Row> = {
  id: string;
  title: string;
  /** In pixels, until somebody drags it. */
  width: number;
  cell: (row: Row) => ReactNode;
  /** The server's name for the order; none for a column that can't be sorted by. */
  sort?: string;
  /** Whether a row has something in it; a column with nothing in it isn't shown. */
  present?: (row: Row) => boolean;
};

/** Under which heading a row stands: rows of one heading come one after the other. */
export type Headed<Row> = (row: Row) => { key: string; title: string };

export type ListPage<Row> = {
  items: Row[];
  total: number;
  page: number;
  size: number;
  /** Whether there are more than were counted. */
  more?: boolean;
  /** What a long list goes on by, where it has pages after and before this one. */
  next?: string | null;
  previous?: string | null;
};

/**
 * The one list of all rooms: dense rows in aligned columns, sorted by their heads, their widths dragged or moved by arrow
 * keys, its rows walked with the arrows and opened with Enter. Where it stands is in the address.
 */
export function List<Row>({
  label,
  list,
  columns,
  keyOf,
  to,
  place,
  headed,
}: {
  label: string;
  list: ListPage<Row>;
  columns: Column<Row>[];
  keyOf: (row: Row) => string;
  /** Where Enter on a row leads; none for rows that open nothing. */
  to?: (row: Row) => string;
  /** None for a list that is one of several on its page, which is neither sorted nor paged by itself. */
  place?: ListPlace;
  headed?: Headed<Row> | undefined;
}) {
  const navigate = useNavigate();
  const body = useRef<HTMLTableSectionElement>(null);
  const shown = useMemo(
    () => columns.filter((one) => !one.present || list.items.some(one.present)),
    [columns, list.items],
  );
  const definitions = useMemo(() => {
    const helper = createColumnHelper<typeof features, Row & object>();
    return helper.columns(
      shown.map((one) =>
        helper.display({ id: one.id, header: one.title, size: one.width, minSize: narrowest }),
      ),
    );
  }, [shown]);
  const table = useTable({
    features,
    columns: definitions,
    data: list.items as (Row & object)[],
    state: { columnSizing: place?.widths ?? {} },
    columnResizeMode: 'onEnd',
    onColumnSizingChange: (change) => {
      const before = place?.widths ?? {};
      const next = typeof change === 'function' ? change(before) : change;
      place?.go({ widths: writeWidths(next) });
    },
  });
  // columns share the room there is, until somebody drags one
  const dragged = Object.keys(place?.widths ?? {}).length > 0;
  const headers = table.getHeaderGroups()[0]?.headers ?? [];
  const byId = new Map(shown.map((one) => [one.id, one]));

  /** The heading that begins with a row. */
  function beginsAt(at: number): string | undefined {
    const [row, before] = [list.items[at], list.items[at - 1]];
    if (!headed || row === undefined) return undefined;
    const heading = headed(row);
    return before !== undefined && headed(before).key === heading.key ? undefined : heading.title;
  }

  function walk(event: KeyboardEvent<HTMLTableRowElement>, at: number) {
    if (event.target !== event.currentTarget) return;
    const rows = body.current?.querySelectorAll<HTMLElement>('[data-row]');
    const row = list.items[at];
    const next = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: list.items.length - 1 }[
      event.key
    ];
    if (next !== undefined) {
      event.preventDefault();
      rows?.[Math.max(0, Math.min(next, list.items.length - 1))]?.focus();
    } else if (event.key === 'Enter' && to && row !== undefined) {
      void navigate(to(row));
    }
  }

  return (
    <>
      <div className="overflow-x-auto">
        <table
          aria-label={label}
          className="min-w-full table-fixed border-collapse text-left"
          style={{ width: dragged ? table.getTotalSize() : '100%' }}
        >
          <colgroup>
            {headers.map((header) => (
              <col
                key={header.id}
                style={{
                  width: dragged
                    ? header.getSize()
                    : `${(header.getSize() / table.getTotalSize()) * 100}%`,
                }}
              />
            ))}
          </colgroup>
          <thead>
            <tr className="border-b border-edge text-soft">
              {headers.map((header) => {
                const column = byId.get(header.id);
                return (
                  column && <Head key={header.id} column={column} header={header} place={place} />
                );
              })}
            </tr>
          </thead>
          <tbody ref={body}>
            {list.items.map((row, at) => (
              <Fragment key={keyOf(row)}>
                {beginsAt(at) && (
                  <tr>
                    <th
                      scope="rowgroup"
                      colSpan={shown.length}
                      className="border-b border-edge px-2 pt-4 pb-1 font-serif text-lg font-normal"
                    >
                      {beginsAt(at)}
                    </th>
                  </tr>
                )}
                <tr
                  data-row=""
                  tabIndex={to ? (at === 0 ? 0 : -1) : undefined}
                  className={`h-9 border-b border-rule ${at % 2 ? 'bg-slatted' : ''}`}
                  onKeyDown={(event) => walk(event, at)}
                >
                  {shown.map((one) => {
                    const cell = one.cell(row);
                    return (
                      <td
                        key={one.id}
                        className="px-2 py-1 wrap-anywhere"
                        title={typeof cell === 'string' ? cell : undefined}
                      >
                        {cell}
                      </td>
                    );
                  })}
                </tr>
              </Fragment>
            ))}
          </tbody>
        </table>
      </div>
      {place && <Pager {...list} onPage={(page) => place.go({ page })} />}
    </>
  );
}

function Head<Row>({
  column,
  header,
  place,
}: {
  column: Column<Row>;
  header: Header<typeof features, Row & object>;
  place: ListPlace | undefined;
}) {
  const sorted = place?.sort === column.sort ? 1 : place?.sort === `-${column.sort}` ? -1 : 0;
  const sortable = place && column.sort;
  const widen = (by: number) => {
    const width = Math.max(narrowest, header.getSize() + by);
    place?.go({ widths: writeWidths({ ...place.widths, [column.id]: width }) });
  };
  return (
    <th
      scope="col"
      className="relative h-8 px-2 font-medium whitespace-nowrap"
      aria-sort={sortable && sorted ? (sorted > 0 ? 'ascending' : 'descending') : undefined}
    >
      {sortable ? (
        <button
          type="button"
          className="max-w-full truncate font-medium"
          onClick={() =>
            place.go({ sort: sorted > 0 ? `-${column.sort}` : (column.sort ?? ''), page: '' })
          }
        >
          {column.title}
          <span aria-hidden="true">{sorted ? (sorted > 0 ? ' ↑' : ' ↓') : ''}</span>
        </button>
      ) : (
        column.title
      )}
      {place && (
        <span
          role="separator"
          tabIndex={0}
          aria-orientation="vertical"
          aria-label={say('ui.width-of', { column: column.title || say('ui.last-column') })}
          aria-valuenow={Math.round(header.getSize())}
          aria-valuemin={narrowest}
          className="absolute top-1 right-0 h-6 w-2 cursor-col-resize touch-none border-r border-rule select-none hover:border-edge"
          onMouseDown={header.getResizeHandler()}
          onTouchStart={header.getResizeHandler()}
          onKeyDown={(event) => {
            if (event.key === 'ArrowLeft') widen(-16);
            if (event.key === 'ArrowRight') widen(16);
          }}
        />
      )}
    </th>
  );
}
