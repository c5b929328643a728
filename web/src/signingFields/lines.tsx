import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

function LinesInput({ id, type, value, onChange, fault }: AskedProps) {
  const hint = type.kind === 'lines' && type.hint ? type.hint : undefined;
  return (
    <textarea
      id={id}
      rows={4}
      maxLength={5000}
      className={inputLook}
      value={value}
      {...describedBy(id, hint, fault)}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

export const lines: FieldKind = {
  settings: ['kind', 'hint', 'preset', 'source', 'required', 'requiredWhen', 'when', 'repeats'],
  shown: (given) => ({ text: given.answer, lines: true }),
  called: 'templates.many-lines',
  usual: () => ({
    kind: 'lines',
    required: true,
    hint: '',
    size: { widthMm: 120, heightMm: 24 },
    preset: '',
  }),
  asked: {
    Input: LinesInput,
    hint: (type) => (type.kind === 'lines' ? type.hint : ''),
    preset: (type) => (type.kind === 'lines' ? type.preset : ''),
  },
};
