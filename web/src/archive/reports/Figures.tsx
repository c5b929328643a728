import type { ReactNode } from 'react';

export type Figure<Row> = {
  title: string;
  cell: (row: Row) => ReactNode;
  /** Whether it is a number, which stands at the right. */
  number?: boolean;
};

/** The figures of a report, a slat for each row; the first cell names it. */
export function Figures<Row>({
  label,
  rows,
  keyOf,
  columns,
}: {
  label: string;
  rows: Row[];
  keyOf: (row: Row) => string;
  columns: Figure<Row>[];
}) {
  const look = ({ number }: Figure<Row>) => (number ? 'text-right tabular-nums' : '');
  return (
    <div className="overflow-x-auto">
      <table aria-label={label} className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-edge text-soft">
            {columns.map((column) => (
              <th
                key={column.title}
                scope="col"
                className={`h-8 px-2 font-medium whitespace-nowrap ${look(column)}`}
              >
                {column.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="[&>tr]:h-9 [&>tr:nth-child(even)]:bg-slatted [&>tr]:border-b [&>tr]:border-rule">
          {rows.map((row) => (
            <tr key={keyOf(row)}>
              {columns.map((column, i) =>
                i === 0 ? (
                  <th key={column.title} scope="row" className="px-2 font-normal">
                    {column.cell(row)}
                  </th>
                ) : (
                  <td key={column.title} className={`px-2 whitespace-nowrap ${look(column)}`}>
                    {column.cell(row)}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
