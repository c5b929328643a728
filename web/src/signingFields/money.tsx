import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

function MoneyInput({ id, type, value, onChange, fault }: AskedProps) {
  if (type.kind !== 'money') return null;
  return (
    <span className="flex items-center gap-2">
      <span aria-hidden="true">{type.currency}</span>
      <input
        id={id}
        inputMode="decimal"
        maxLength={40}
        className={`${inputLook} min-h-11`}
        value={value}
        {...describedBy(id, type.hint || undefined, fault)}
        onChange={(event) => onChange(event.target.value)}
      />
    </span>
  );
}

/** An amount is typed as the page's language writes it; the server reads it so, and strictly. */
export const money: FieldKind = {
  settings: [
    'kind',
    'currency',
    'hint',
    'preset',
    'source',
    'limits',
    'required',
    'requiredWhen',
    'when',
    'repeats',
  ],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.money-kind',
  usual: () => ({
    kind: 'money',
    required: true,
    hint: '',
    size: { widthMm: 40, heightMm: 6 },
    preset: '',
    currency: 'EUR',
    least: '',
    most: '',
  }),
  asked: {
    Input: MoneyInput,
    hint: (type) => (type.kind === 'money' ? type.hint : ''),
    preset: (type, { language }) =>
      type.kind === 'money' && type.preset && Number.isFinite(Number(type.preset))
        ? new Intl.NumberFormat(language, {
            minimumFractionDigits: 2,
            maximumFractionDigits: 20,
          }).format(Number(type.preset))
        : '',
  },
};
