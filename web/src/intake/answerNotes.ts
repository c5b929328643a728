import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';

/** What whoever checks a request has to know of its answers: which print nowhere, and which nobody has typed. */
export function answerNotes({
  form,
  values,
  unprinted,
}: Pick<Schemas['RequestDetail'], 'form' | 'values' | 'unprinted'>): Record<string, string> {
  const notes: Record<string, string> = {};
  for (const { name } of form.fields) {
    const value = values[name] ?? '';
    if (!value) continue;
    const said = [
      unprinted.includes(name) && say('intake.prints-nowhere'),
      value === form.initials[name] && say('intake.as-it-began'),
    ].filter(Boolean);
    if (said.length) notes[name] = said.join(' ');
  }
  return notes;
}
