import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Field } from '../bench/bench';
import { nameFor } from '../names';

/** A question about what no tag in the wording asks for: a file, something to confirm, what only rules or people look at. */
export function AddQuestion({ fields, onAdd }: { fields: Field[]; onAdd: (field: Field) => void }) {
  const [label, setLabel] = useState('');
  const add = () => {
    const called = label.trim();
    if (!called) return;
    onAdd(newField(called, new Set(fields.map(({ name }) => name))));
    setLabel('');
  };
  return (
    <div className="flex flex-col gap-1">
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('templates.form-new-question')}</span>
        <input
          className={inputLook}
          value={label}
          onChange={(event) => setLabel(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
        />
      </label>
      <Button className="self-start" disabled={!label.trim()} onClick={add}>
        {say('templates.form-add-question')}
      </Button>
    </div>
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
