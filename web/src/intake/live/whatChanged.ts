import type { Schemas } from '../../api/client';

type Printed = Schemas['Printed'];
type Values = Record<string, string>;

/**
 * The line to bring into view after answers have changed: where a changed answer stands, or else a passage or clause that has
 * come. Nothing when no line tells of the change.
 */
export function lineToShow(
  before: { values: Values; printed: Printed[] } | undefined,
  now: { values: Values; printed: Printed[] },
): Printed | undefined {
  if (!before) return undefined;
  const names = new Set(
    [...Object.keys(before.values), ...Object.keys(now.values)].filter(
      (name) => (before.values[name] ?? '') !== (now.values[name] ?? ''),
    ),
  );
  if (!names.size) return undefined;
  const stands = now.printed.find(
    ({ kind, name, list }) => kind === 'VALUE' && (names.has(name) || names.has(list)),
  );
  if (stands) return stands;
  const key = ({ kind, number, items }: Printed) => `${kind} ${number} ${items.join()}`;
  const known = new Set(before.printed.map(key));
  return now.printed.find((one) => one.kind !== 'VALUE' && !known.has(key(one)));
}
