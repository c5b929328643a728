import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { byKey, keyOf } from '../page/printed';
import type { Thing } from '../page/thing';

type Datum = Pick<Schemas['Datum'], 'name' | 'label'>;
type Printed = Schemas['PrintedThing'];

/**
 * What stands beside an agreement's page: each datum with all that it has printed, what its items printed among it, then what
 * follows by rule, the clauses, and the passages that this agreement has.
 */
export function printedThings(
  data: Datum[],
  things: Printed[],
  printed: Schemas['Printed'][],
): Thing[] {
  const lines = byKey(printed);
  const of = (one: Printed) => lines.get(keyOf(one)) ?? [];
  return [
    ...data.map(({ name, label }) => ({
      key: `datum.${name}`,
      label,
      lines: things
        .filter(({ kind, datum }) => kind === 'VALUE' && datum === name)
        .flatMap(of)
        .sort((a, b) => a.page - b.page || b.y - a.y || a.x - b.x),
      spans: false,
    })),
    ...things
      .filter(({ datum }) => !datum)
      .map((one) => ({
        key: keyOf(one),
        label: called(one),
        lines: of(one),
        spans: one.kind !== 'VALUE',
      })),
  ];
}

function called({ kind, label, rule, unless, repeats }: Printed): string {
  if (kind === 'CLAUSE') return say('templates.clause', { clause: label });
  if (kind === 'VALUE') return rule ? say('templates.label-of-rule', { label }) : label;
  if (unless) return say('templates.unless-passage', { name: label });
  return repeats
    ? say('templates.for-each-of', { name: label })
    : say('templates.for-passage', { name: label });
}
