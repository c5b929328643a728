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
  settings: ['kind', 'check', 'hint', 'preset', 'required', 'when'],
  shown: (given) => ({ text: given.answer }),
  asked: {
    Input: TextInput,
    called: 'templates.line-of-text',
    hint: (type) => (type.kind === 'text' ? type.hint : ''),
    preset: (type) => (type.kind === 'text' ? type.preset : ''),
    usual: (size) => ({ kind: 'text', required: true, hint: '', size, check: 'ANY', preset: '' }),
  },
};
