/** What is wrong with one answer, and within a list's items by item (from 0) and field, as in {@code [0].value}. */
export type AnswerFault = { message: string; types?: Record<string, string> };

/** Faults by answer: what is wrong within a list's items belongs to the list. */
export function byAnswer(faults: Record<string, string>): [string, AnswerFault][] {
  return Object.entries(faults)
    .filter(([name]) => !name.includes('['))
    .map(([name, message]) => {
      const within = Object.entries(faults)
        .filter(([place]) => place.startsWith(`${name}[`))
        .map(([place, text]) => [place.slice(name.length), text] as const);
      return [name, within.length ? { message, types: Object.fromEntries(within) } : { message }];
    });
}

/** What is wrong within one field of an item: with itself, and within its own items where it is a list. */
export function within(
  faults: Record<string, string> | undefined,
  item: number,
  field: string,
): { fault?: string | undefined; within?: Record<string, string> | undefined } {
  const place = `[${item}].${field}`;
  const fault = faults?.[place];
  const inner = Object.entries(faults ?? {})
    .filter(([one]) => one.startsWith(`${place}[`))
    .map(([one, text]) => [one.slice(place.length), text] as const);
  return { fault, within: inner.length ? Object.fromEntries(inner) : undefined };
}
