import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';

export type Group = Schemas['TemplateGroup'];
export type Right = 'use' | 'prepare' | 'see';
type Circle = Schemas['Circle'];
type CircleWanted = Schemas['CircleWanted'];

export const rights: Right[] = ['use', 'prepare', 'see'];

export const rightWords: Record<Right, string> = {
  use: say('groups.use'),
  prepare: say('groups.prepare'),
  see: say('groups.see'),
};

/** The same as a heading of who may it. */
export const byWords: Record<Right, string> = {
  use: say('groups.used-by'),
  prepare: say('groups.prepared-by'),
  see: say('groups.seen-by'),
};

/** A team or a person with what they may; the first row is everybody. */
export type Who = {
  kind: 'everybody' | 'team' | 'person';
  id: string;
  name: string;
  closed: boolean;
  may: Right[];
};

const everybody = (may: Right[]): Who => ({
  kind: 'everybody',
  id: 'everybody',
  name: say('groups.everybody'),
  closed: false,
  may,
});

/** Who stands in a group, by name; of a new one everybody, who may everything until somebody says otherwise. */
export function whoMay(group: Group | undefined): Who[] {
  if (!group) return [everybody(rights)];
  const found = new Map<string, Who>();
  for (const right of rights)
    for (const kind of ['team', 'person'] as const)
      for (const one of group[right][kind === 'team' ? 'teams' : 'people']) {
        const known = found.get(one.id) ?? { kind, ...one, may: [] };
        found.set(one.id, { ...known, may: [...known.may, right] });
      }
  return [
    everybody(rights.filter((right) => group[right].everybody)),
    ...[...found.values()].sort(
      (a, b) => b.kind.localeCompare(a.kind) || a.name.localeCompare(b.name),
    ),
  ];
}

/** Whether somebody may something without being asked: everybody may, or what they may otherwise goes with it. */
export function goesWithout(all: Who[], one: Who, right: Right): boolean {
  const open = all.find((who) => who.kind === 'everybody')?.may ?? [];
  const lets = (may: Right[]) => may.includes(right) || (right === 'see' && may.includes('use'));
  if (one.kind === 'everybody') return right === 'see' && one.may.includes('use');
  return lets(open) || (right === 'see' && one.may.includes('use'));
}

/** The same with one right more or less. */
export function withRight(one: Who, right: Right, may: boolean): Who {
  return { ...one, may: rights.filter((each) => (each === right ? may : one.may.includes(each))) };
}

/** As the server takes it. */
export function wanted(all: Who[]): Record<Right, CircleWanted> {
  const ids = (kind: Who['kind'], right: Right) =>
    all.filter((one) => one.kind === kind && one.may.includes(right)).map((one) => one.id);
  const circle = (right: Right): CircleWanted => ({
    everybody: ids('everybody', right).length > 0,
    teams: ids('team', right),
    people: ids('person', right),
  });
  return { use: circle('use'), prepare: circle('prepare'), see: circle('see') };
}

/** Who is let, in words. */
export function circleWords(circle: Circle): string {
  if (circle.everybody) return say('groups.everybody-short');
  const names = [...circle.teams, ...circle.people].map((one) => one.name);
  return names.length > 0 ? names.join(', ') : say('groups.nobody');
}
