import type { ComponentProps } from 'react';
import { describedBy, inputLook, Labelled } from '../ui/parts';

/** A labelled input of a record system's terms, with what is wrong with it. */
export function Input({
  id,
  label,
  hint = '',
  fault,
  code = false,
  ...input
}: {
  id: string;
  label: string;
  hint?: string;
  fault?: string | undefined;
  /** Whether it says something to a program, letter by letter. */
  code?: boolean;
} & ComponentProps<'input'>) {
  return (
    <Labelled id={id} label={label} hint={hint} fault={fault}>
      <input
        id={id}
        spellCheck={!code}
        autoComplete="off"
        className={`${inputLook} ${code ? 'font-mono text-[13px]' : ''}`}
        {...input}
        {...describedBy(id, hint, fault)}
      />
    </Labelled>
  );
}
