import { useState } from 'react';
import { Button, inputLook } from './parts';

/** Adds something by what it is called: typed, then Enter or the button. */
export function AddByName({
  label,
  act,
  onAdd,
}: {
  label: string;
  /** What the button says. */
  act: string;
  onAdd: (name: string) => void;
}) {
  const [name, setName] = useState('');
  const add = () => {
    const called = name.trim();
    if (!called) return;
    onAdd(called);
    setName('');
  };
  return (
    <div className="flex flex-col gap-1">
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{label}</span>
        <input
          className={inputLook}
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            add();
          }}
        />
      </label>
      <Button className="self-start" disabled={!name.trim()} onClick={add}>
        {act}
      </Button>
    </div>
  );
}
