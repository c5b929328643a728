import { useId } from 'react';
import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';
import { Setting, settledOf, withPart, type SettingProps } from './settingParts';

/** Numbers without decimals only. */
export function WholeInput({ called, field, onChange }: SettingProps) {
  const id = useId();
  return (
    <label htmlFor={id} className="flex min-h-9 items-center gap-2 self-end">
      <input
        id={id}
        type="checkbox"
        checked={settledOf(field).whole ?? false}
        onChange={(event) => onChange(withPart(field, { whole: event.target.checked }))}
      />
      <span className="setting-title">{say('templates.whole-numbers')}</span>
      <span className="sr-only">{called}</span>
    </label>
  );
}

/** From what to what an answer may go. */
export function LimitsInput({ called, field, onChange }: SettingProps) {
  const { least = '', most = '' } = settledOf(field);
  const dates = field.type.kind === 'date';
  const input = (side: 'least' | 'most', value: string) => (
    <Setting
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
    </Setting>
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
    <Setting className="w-64" title={say('templates.statement')}>
      <textarea
        rows={3}
        maxLength={2000}
        className={inputLook}
        aria-label={say('templates.statement-of', { called })}
        value={settledOf(field).statement ?? ''}
        onChange={(event) => onChange(withPart(field, { statement: event.target.value }))}
      />
    </Setting>
  );
}
