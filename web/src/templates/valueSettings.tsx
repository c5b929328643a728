import { useId } from 'react';
import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';
import { FieldSetting, settledOf, withPart, type SettingProps } from './settingParts';

/** Numbers without decimals only. */
export function WholeInput(props: SettingProps) {
  return <YesNo {...props} part="whole" title={say('templates.whole-numbers')} />;
}

/** All answers are seen at once, and not in a list that is opened. */
export function SpreadInput(props: SettingProps) {
  return <YesNo {...props} part="spread" title={say('templates.all-answers-seen')} />;
}

function YesNo({
  called,
  field,
  onChange,
  part,
  title,
}: SettingProps & { part: 'whole' | 'spread'; title: string }) {
  const id = useId();
  return (
    <label htmlFor={id} className="flex min-h-9 items-center gap-2 self-end">
      <input
        id={id}
        type="checkbox"
        checked={settledOf(field)[part] ?? false}
        onChange={(event) => onChange(withPart(field, { [part]: event.target.checked }))}
      />
      <span className="setting-title">{title}</span>
      <span className="sr-only">{called}</span>
    </label>
  );
}

/** From what to what an answer may go. */
export function LimitsInput({ called, field, onChange }: SettingProps) {
  const { least = '', most = '' } = settledOf(field);
  const dates = field.type.kind === 'date';
  const input = (side: 'least' | 'most', value: string) => (
    <FieldSetting
      className={dates ? 'w-40' : 'w-24'}
      title={say(side === 'least' ? 'templates.at-least' : 'templates.at-most')}
    >
      <input
        type={dates ? 'date' : 'text'}
        inputMode={dates ? undefined : 'decimal'}
        className={inputLook}
        aria-label={say(side === 'least' ? 'templates.least-of' : 'templates.most-of', { called })}
        value={value}
        onChange={(event) => onChange(withPart(field, { [side]: event.target.value }))}
      />
    </FieldSetting>
  );
  return (
    <>
      {input('least', least)}
      {input('most', most)}
    </>
  );
}

/** The paragraph that is acknowledged by the tick. */
export function StatementInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting className="w-64" title={say('templates.statement')}>
      <textarea
        rows={3}
        maxLength={2000}
        className={inputLook}
        aria-label={say('templates.statement-of', { called })}
        value={settledOf(field).statement ?? ''}
        onChange={(event) => onChange(withPart(field, { statement: event.target.value }))}
      />
    </FieldSetting>
  );
}

/** How many characters a text has at least and at most; 0 for no limit. */
export function LengthsInput({ called, field, onChange }: SettingProps) {
  const { shortest = 0, longest = 0 } = settledOf(field);
  const input = (side: 'shortest' | 'longest', value: number) => (
    <FieldSetting
      className="w-24"
      title={say(side === 'shortest' ? 'templates.shortest' : 'templates.longest')}
    >
      <input
        type="number"
        min="0"
        max="200"
        className={inputLook}
        aria-label={say(side === 'shortest' ? 'templates.shortest-of' : 'templates.longest-of', {
          called,
        })}
        value={value || ''}
        onChange={({ target }) =>
          onChange(withPart(field, { [side]: Math.trunc(target.valueAsNumber) || 0 }))
        }
      />
    </FieldSetting>
  );
  return (
    <>
      {input('shortest', shortest)}
      {input('longest', longest)}
    </>
  );
}

/** How a text is written, character by character. */
export function PatternInput({ called, field, onChange }: SettingProps) {
  const id = useId();
  return (
    <FieldSetting className="w-56" title={say('templates.pattern')}>
      <input
        className={inputLook}
        aria-label={say('templates.pattern-of', { called })}
        aria-describedby={id}
        placeholder="@@ ####"
        value={settledOf(field).pattern ?? ''}
        onChange={(event) => onChange(withPart(field, { pattern: event.target.value }))}
      />
      <span id={id} className="text-soft">
        {say('templates.pattern-hint')}
      </span>
    </FieldSetting>
  );
}

/** The currency of an amount, by its three letters. */
export function CurrencyInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting className="w-24" title={say('templates.currency')}>
      <input
        className={inputLook}
        maxLength={3}
        aria-label={say('templates.currency-of', { called })}
        value={settledOf(field).currency ?? ''}
        onChange={(event) =>
          onChange(withPart(field, { currency: event.target.value.toUpperCase() }))
        }
      />
    </FieldSetting>
  );
}
