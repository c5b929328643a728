import { say } from '../../messages/rooms';
import { AddByName } from '../../ui/AddByName';
import type { Field } from '../bench/bench';
import { nameFor } from '../names';

/** A question about what no tag in the wording asks for: a file, something to confirm, what only rules or people look at. */
export function AddQuestion({ fields, onAdd }: { fields: Field[]; onAdd: (field: Field) => void }) {
  return (
    <AddByName
      label={say('templates.form-new-question')}
      act={say('templates.form-add-question')}
      onAdd={(label) => onAdd(newField(label, new Set(fields.map(({ name }) => name))))}
    />
  );
}

/** @param taken names that other fields have */
export function newField(label: string, taken: Set<string>): Field {
  const base = nameFor(label) || 'question';
  let name = base;
  for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
  return {
    name,
    type: 'TEXT',
    label,
    required: false,
    hint: '',
    choices: [],
    items: [],
    initial: '',
    ownAnswer: false,
    files: { kinds: [], megabytes: 5 },
  };
}
