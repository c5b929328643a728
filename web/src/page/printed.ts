import type { Schemas } from '../api/client';

type Printed = Schemas['Printed'];

/** One line on a page. */
export type Line = Pick<Printed, 'page' | 'x' | 'y' | 'width' | 'height'>;

/** What a line was put there by, as notes and brackets are known. */
export function keyOf({
  kind,
  name,
  list,
  number,
}: Pick<Printed, 'kind' | 'name' | 'list' | 'number'>): string {
  return kind === 'VALUE' ? valueKey(name, list) : `${kind.toLowerCase()}-${number}`;
}

/** How a value is known: a field of a list's items may have the name of another one. */
export const valueKey = (name: string, list = '') => (list ? `${list}.${name}` : name);

/** All lines by what put them there, as they stand in the answer: from the first page on. */
export function byKey(printed: Printed[]): Map<string, Line[]> {
  const lines = new Map<string, Line[]>();
  for (const one of printed) {
    const key = keyOf(one);
    const known = lines.get(key);
    if (known) known.push(one);
    else lines.set(key, [one]);
  }
  return lines;
}

/** The height over which something stands on a page; in PDF points from the page's bottom. */
export type Span = { keys: string[]; top: number; bottom: number; depth: number };

/**
 * Passages and clauses of one page as brackets; those that stand over the same lines are one. One that stands within
 * another, or beside it, is a step further in, so that no two are drawn over each other.
 */
export function brackets(things: { key: string; lines: Line[] }[]): Span[] {
  const found = things.flatMap(({ key, lines }) => {
    if (!lines.length) return [];
    return [
      {
        keys: [key],
        top: Math.max(...lines.map((line) => line.y + line.height)),
        bottom: Math.min(...lines.map((line) => line.y)),
        depth: 0,
      },
    ];
  });
  found.sort((a, b) => b.top - a.top || a.bottom - b.bottom);
  const spans: Span[] = [];
  for (const span of found) {
    const last = spans.at(-1);
    if (last?.top === span.top && last.bottom === span.bottom) last.keys.push(...span.keys);
    else spans.push(span);
  }
  for (const [i, span] of spans.entries()) {
    const taken = new Set(
      spans.slice(0, i).flatMap((other) => (other.bottom < span.top ? [other.depth] : [])),
    );
    while (taken.has(span.depth)) span.depth += 1;
  }
  return spans;
}
