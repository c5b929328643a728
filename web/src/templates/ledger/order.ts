/** A column that rows can be put in order by. */
export type Sortable<T> = { id: string; sort?: (row: T) => string | number };

/** Rows that have the words in what they are called, in the order of a column; `-` before it turns it round. */
export function ordered<T>(
  rows: T[],
  columns: Sortable<T>[],
  sort: string,
  find: string,
  words: (row: T) => string,
): T[] {
  const wanted = find.trim().toLowerCase();
  const found = wanted ? rows.filter((row) => words(row).toLowerCase().includes(wanted)) : rows;
  const down = sort.startsWith('-');
  const value = columns.find(({ id }) => id === sort.replace('-', ''))?.sort;
  if (!value) return found;
  const compare = (a: T, b: T) => {
    const [x, y] = [value(a), value(b)];
    return typeof x === 'number' && typeof y === 'number'
      ? x - y
      : String(x).localeCompare(String(y), 'en-GB', { numeric: true });
  };
  return [...found].sort((a, b) => (down ? compare(b, a) : compare(a, b)));
}
