import type { Schemas } from '../api/client';

type Waits = { name: string; when: Schemas['ShownWhen'] };

/**
 * Which of a participant's fields are asked for, by what has been answered so far. The server judges in the same way in
 * `ShownFields`; one list of cases is tried on both.
 */
export function shownAmong<T extends Waits>(fields: T[], answers: Record<string, string>): T[] {
  const known = new Map(fields.map((field) => [field.name, field]));
  const given = new Map(Object.entries(answers));
  return fields.filter((field) => {
    const seen = new Set<string>();
    let now: T | undefined = field;
    while (now.when.field) {
      const other = known.get(now.when.field);
      if (!other || seen.has(now.name) || !met(now.when, given.get(other.name))) return false;
      seen.add(now.name);
      now = other;
    }
    return true;
  });
}

type May = Waits & { required: boolean; requiredWhen: Schemas['ShownWhen'] };

/** Those of the fields that are asked for that can't be left empty; the server judges in the same way. */
export function requiredAmong<T extends May>(fields: T[], answers: Record<string, string>): T[] {
  const shown = shownAmong(fields, answers);
  const names = new Set(shown.map(({ name }) => name));
  const given = new Map(Object.entries(answers));
  return shown.filter(
    ({ required, requiredWhen }) =>
      required ||
      (names.has(requiredWhen.field) && met(requiredWhen, given.get(requiredWhen.field))),
  );
}

function met(when: Schemas['ShownWhen'], answer = ''): boolean {
  const bare = answer.trim();
  return when.answer ? bare === when.answer : bare !== '';
}
