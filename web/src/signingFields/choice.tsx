import { useSay } from '../messages/useSay';
import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

function ChoiceInput({ id, type, value, onChange, fault }: AskedProps) {
  const words = useSay();
  if (type.kind !== 'choice') return null;
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

export const choice: FieldKind = {
  settings: [
    'kind',
    'options',
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
  usual: (size) => ({ kind: 'choice', required: true, hint: '', size, options: [], preset: '' }),
  asked: {
    Input: ChoiceInput,
    hint: (type) => (type.kind === 'choice' ? type.hint : ''),
    preset: (type) => (type.kind === 'choice' ? type.preset : ''),
  },
};
