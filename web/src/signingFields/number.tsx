import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

function NumberInput({ id, type, value, onChange, fault }: AskedProps) {
  const hint = type.kind === 'number' && type.hint ? type.hint : undefined;
  return (
    <input
      id={id}
      inputMode={type.kind === 'number' && type.whole ? 'numeric' : 'decimal'}
      maxLength={40}
      className={`${inputLook} min-h-11`}
      value={value}
      {...describedBy(id, hint, fault)}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** A number is typed as the page's language writes it; the server reads it so, and strictly. */
export const number: FieldKind = {
  settings: [
    'kind',
    'hint',
    'preset',
    'source',
    'whole',
    'limits',
    'required',
    'requiredWhen',
    'when',
    'repeats',
  ],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.number-kind',
  usual: () => ({
    kind: 'number',
    required: true,
    hint: '',
    size: { widthMm: 34, heightMm: 6 },
    preset: '',
    whole: false,
    least: '',
    most: '',
  }),
  asked: {
    Input: NumberInput,
    hint: (type) => (type.kind === 'number' ? type.hint : ''),
    preset: (type, { language }) =>
      type.kind === 'number' && type.preset && Number.isFinite(Number(type.preset))
        ? new Intl.NumberFormat(language, { maximumFractionDigits: 20 }).format(Number(type.preset))
        : '',
  },
};
