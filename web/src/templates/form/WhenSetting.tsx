import { say } from '../../messages/rooms';
import { inputLook } from '../../ui/parts';
import { Setting } from '../bench/cards/parts';
import type { Settings } from '../useTemplate';
import { conditionsOf } from './layout';

/** On which condition something is in the form. */
export function WhenSetting({
  settings,
  when,
  but,
  label = say('templates.form-when'),
  onChange,
}: {
  settings: Settings;
  when: string;
  /** The question that it is about: none stands on its own answer. */
  but?: string;
  /** What comes and goes with it. */
  label?: string;
  onChange: (when: string) => void;
}) {
  const known = conditionsOf(settings, but);
  const gone = when && !known.some(({ name }) => name === when);
  return (
    <Setting label={label}>
      <select className={inputLook} value={when} onChange={(event) => onChange(event.target.value)}>
        <option value="">{say('templates.form-always')}</option>
        {gone && <option value={when}>{when}</option>}
        {known.map(({ name, label }) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
    </Setting>
  );
}
