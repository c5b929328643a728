import type { Editor } from '@tiptap/react';
import { useId, useState } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import { meant } from '../bench/meant';
import { knownIn } from './knownIn';

/** Puts a field or a signing field where the cursor stands: one that the wording has already, or a new one. */
export function PutIn({ editor, text }: { editor: Editor; text: string }) {
  const [typed, setTyped] = useState('');
  const list = useId();
  const known = knownIn(text);
  const one = meant(typed, known);
  return (
    <form
      aria-label={say('templates.put-in-a-field')}
      className="flex items-center gap-2 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (!one) return;
        editor.chain().focus().insertContent(`{{${one.name}}}`).run();
        setTyped('');
      }}
    >
      <input
        aria-label={say('templates.field-or-signing-field')}
        placeholder={say('templates.field-or-signing-field')}
        list={list}
        className={`${inputLook} max-w-72`}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      <datalist id={list}>
        {known.map(({ name, label }) => (
          <option key={name} value={label} />
        ))}
      </datalist>
      <Button type="submit" disabled={!one}>
        {say('templates.put-it-in')}
      </Button>
      {one && <code className="text-soft">{`{{${one.name}}}`}</code>}
    </form>
  );
}
