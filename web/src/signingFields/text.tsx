import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

function TextInput({ id, type, value, onChange, fault }: AskedProps) {
  const hint = type.kind === 'text' && type.hint ? type.hint : undefined;
  return (
    <input
      id={id}
      className={`${inputLook} min-h-11`}
      maxLength={200}
      value={value}
      {...describedBy(id, hint, fault)}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

export const text: FieldKind = {
  settings: [
    'kind',
    'check',
    'lengths',
    'pattern',
    'hint',
    'preset',
    'source',
    'required',
    'requiredWhen',
    'when',
    'repeats',
  ],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.line-of-text',
  usual: (size) => ({
    kind: 'text',
    required: true,
    hint: '',
    size,
    check: 'ANY',
    preset: '',
    shortest: 0,
    longest: 0,
    pattern: '',
  }),
  asked: {
    Input: TextInput,
    hint: (type) => (type.kind === 'text' ? type.hint : ''),
    preset: (type) => (type.kind === 'text' ? type.preset : ''),
  },
};
