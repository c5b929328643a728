import { useSay } from '../messages/useSay';
import { describedBy } from '../ui/parts';
import type { AskedProps, FieldKind } from './kind';

/** The answer of what is ticked. */
const TICKED = 'yes';

function TickInput({ id, type, value, onChange, fault }: AskedProps) {
  const words = useSay();
  if (type.kind !== 'tick') return null;
  const statement = type.statement.trim();
  const described = describedBy(id, type.hint || undefined, fault);
  return (
    <div className="flex flex-col gap-2">
      {statement && (
        <p id={`${id}-statement`} className="whitespace-pre-line">
          {statement}
        </p>
      )}
      <span className="flex min-h-11 items-center gap-3">
        <input
          id={id}
          type="checkbox"
          className="size-6"
          checked={value === TICKED}
          {...described}
          aria-describedby={
            [statement && `${id}-statement`, described['aria-describedby']]
              .filter(Boolean)
              .join(' ') || undefined
          }
          onChange={(event) => onChange(event.target.checked ? TICKED : '')}
        />
        <span aria-hidden="true">{words.say(statement ? 'tick.acknowledged' : 'tick.yes')}</span>
      </span>
    </div>
  );
}

export const tick: FieldKind = {
  settings: ['kind', 'statement', 'hint', 'required', 'requiredWhen', 'when', 'repeats'],
  shown: (given) => ({ text: given.answer === TICKED ? '\u00d7' : '' }),
  called: 'templates.tick-kind',
  usual: () => ({
    kind: 'tick',
    required: true,
    hint: '',
    size: { widthMm: 6, heightMm: 6 },
    statement: '',
  }),
  asked: {
    Input: TickInput,
    hint: (type) => (type.kind === 'tick' ? type.hint : ''),
    preset: () => '',
  },
};
