import { useSay } from '../messages/useSay';
import { useFormWords } from './formWords';
import type { DatumProps } from './inputProps';

/** A yes-or-no question as one box to tick. */
export function TickInput({ id, field, fault, value, inputRef, onChange }: DatumProps) {
  const words = useSay();
  const text = useFormWords();
  const hint = text(field.hint);
  const ids = [hint && `${id}-hint`, fault && `${id}-fault`].filter(Boolean).join(' ');
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="flex items-start gap-2">
        <input
          id={id}
          ref={inputRef}
          type="checkbox"
          className="mt-0.5 size-5 shrink-0"
          checked={value === 'yes'}
          aria-required={field.required}
          aria-describedby={ids || undefined}
          aria-invalid={fault ? true : undefined}
          onChange={(event) => onChange(event.target.checked ? 'yes' : field.required ? '' : 'no')}
        />
        <span>
          {text(field.label)}
          {!field.required && (
            <span className="text-soft"> {words.say('yours.may-stay-empty')}</span>
          )}
        </span>
      </label>
      {hint && (
        <p id={`${id}-hint`} className="text-soft">
          {hint}
        </p>
      )}
      {fault && (
        <p id={`${id}-fault`} className="text-oxide">
          {fault}
        </p>
      )}
    </div>
  );
}
