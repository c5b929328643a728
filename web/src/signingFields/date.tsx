import { describedBy, inputLook } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

/** What stands for the day on which the page is opened. */
export const TODAY = 'today';

function DateInput({ id, type, value, onChange, fault }: AskedProps) {
  if (type.kind !== 'date') return null;
  return (
    <input
      id={id}
      type="date"
      min={type.least || undefined}
      max={type.most || undefined}
      className={`${inputLook} min-h-11`}
      value={value}
      {...describedBy(id, type.hint || undefined, fault)}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

export const date: FieldKind = {
  settings: [
    'kind',
    'hint',
    'preset',
    'source',
    'limits',
    'required',
    'requiredWhen',
    'when',
    'repeats',
  ],
  shown: ({ answer, language }) => ({
    text: /^\d{4}-\d{2}-\d{2}$/.test(answer)
      ? new Date(`${answer}T00:00:00Z`).toLocaleDateString(language, {
          dateStyle: 'long',
          timeZone: 'UTC',
        })
      : '',
  }),
  called: 'templates.date-kind',
  usual: () => ({
    kind: 'date',
    required: true,
    hint: '',
    size: { widthMm: 34, heightMm: 6 },
    preset: '',
    least: '',
    most: '',
  }),
  asked: {
    Input: DateInput,
    hint: (type) => (type.kind === 'date' ? type.hint : ''),
    preset: (type, { today }) => {
      if (type.kind !== 'date') return '';
      return type.preset === TODAY ? today : type.preset;
    },
  },
};
