import { useState } from 'react';
import { useSay } from '../messages/useSay';
import { inputLook } from '../ui/parts';
import { useFormWords } from './formWords';
import type { Field } from './inputProps';

const OWN = '\u0000own';

/** One of a list; where the list isn't all there is, an answer of one's own under it. */
export function ChoiceInput({
  field,
  value,
  onChange,
  shared,
}: {
  field: Field;
  value: string;
  onChange: (value: string) => void;
  /** What its input has as every other one. */
  shared: Record<string, unknown>;
}) {
  const words = useSay();
  const text = useFormWords();
  const [wanted, setWanted] = useState(false);
  const own = field.ownAnswer && (wanted || (value !== '' && !field.choices.includes(value)));
  return (
    <>
      <select
        {...shared}
        value={own ? OWN : value}
        onChange={(event) => {
          setWanted(event.target.value === OWN);
          onChange(event.target.value === OWN ? '' : event.target.value);
        }}
      >
        <option value="">{words.say('form.choose')}</option>
        {field.choices.map((choice) => (
          <option key={choice} value={choice}>
            {text(choice)}
          </option>
        ))}
        {field.ownAnswer && <option value={OWN}>{words.say('form.own-answer')}</option>}
      </select>
      {own && (
        <input
          className={inputLook}
          aria-label={words.say('form.own-answer-to', { field: text(field.label) })}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </>
  );
}
