import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Setting } from '../templates/bench/cards/parts';
import { inputLook } from '../ui/parts';

type Settings = Schemas['TableSettings'];

/** What is settled of a run alone: which rows are one agreement, and how fast agreements are made. */
export function RunSettings({
  heads,
  second,
  settings,
  onChange,
}: {
  heads: string[];
  /** Whether rows of a second table go with these, whose key then says which rows are one agreement. */
  second: boolean;
  settings: Settings;
  onChange: (settings: Settings) => void;
}) {
  return (
    <div className="flex flex-wrap gap-3 pt-3">
      <Setting label={say('tables.one-agreement-of')} className="w-80">
        <select
          className={inputLook}
          value={settings.together}
          disabled={second}
          onChange={(event) => onChange({ ...settings, together: Number(event.target.value) })}
        >
          <option value={0}>{say('tables.each-row')}</option>
          {heads.map((head, i) => (
            <option key={i} value={i + 1}>
              {say('tables.rows-alike-in', { column: head })}
            </option>
          ))}
        </select>
      </Setting>
      <Setting label={say('tables.how-fast')} className="w-80">
        <select
          className={inputLook}
          value={settings.perMinute}
          onChange={(event) => onChange({ ...settings, perMinute: Number(event.target.value) })}
        >
          {[0, 120, 60, 30, 10, 2].map((one) => (
            <option key={one} value={one}>
              {one ? say('tables.in-a-minute', { count: one }) : say('tables.at-once')}
            </option>
          ))}
        </select>
      </Setting>
    </div>
  );
}
