import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { Button, describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

type Choice = Schemas['ChoicePlace'];

function ChoiceInput(props: AskedProps) {
  const { id, type, value, onChange, fault } = props;
  const words = useSay();
  if (type.kind !== 'choice') return null;
  if (type.spread) return <Spread {...props} settled={type} />;
  return (
    <select
      id={id}
      className={`${inputLook} min-h-11`}
      value={value}
      {...describedBy(id, type.hint || undefined, fault)}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">{words.say('form.choose')}</option>
      {type.options.map((option) => (
        <option key={option} value={option}>
          {option}
        </option>
      ))}
    </select>
  );
}

/** All answers to be seen at once; one that need not be given can be taken back. */
function Spread({ id, label, value, onChange, fault, settled }: AskedProps & { settled: Choice }) {
  const words = useSay();
  return (
    <div
      id={id}
      role="radiogroup"
      aria-label={label}
      aria-required={settled.required}
      {...describedBy(id, settled.hint || undefined, fault)}
      className="flex flex-col"
    >
      {settled.options.map((option) => (
        <label key={option} className="flex min-h-11 items-center gap-3">
          <input
            type="radio"
            name={id}
            className="size-6 shrink-0"
            checked={value === option}
            onChange={() => onChange(option)}
          />
          <span className="min-w-0 break-words">{option}</span>
        </label>
      ))}
      {value && !settled.required && (
        <Button className="min-h-11 self-start" onClick={() => onChange('')}>
          {words.say('choice.take-back')}
        </Button>
      )}
    </div>
  );
}

export const choice: FieldKind = {
  settings: [
    'kind',
    'options',
    'spread',
    'hint',
    'preset',
    'source',
    'required',
    'requiredWhen',
    'when',
    'repeats',
  ],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.one-of-several',
  usual: (size) => ({
    kind: 'choice',
    required: true,
    hint: '',
    size,
    options: [],
    preset: '',
    spread: false,
  }),
  asked: {
    Input: ChoiceInput,
    hint: (type) => (type.kind === 'choice' ? type.hint : ''),
    preset: (type) => (type.kind === 'choice' ? type.preset : ''),
  },
};
