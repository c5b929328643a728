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
  settings: ['check', 'hint', 'preset', 'required'],
  shown: (given) => ({ text: given.answer }),
  asked: {
    Input: TextInput,
    hint: (type) => (type.kind === 'text' ? type.hint : ''),
    preset: (type) => (type.kind === 'text' ? type.preset : ''),
  },
};
