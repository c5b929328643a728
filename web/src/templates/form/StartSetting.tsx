import { say, type RoomCode } from '../../messages/rooms';
import { inputLook } from '../../ui/parts';
import type { Field } from '../bench/bench';
import { FieldDefault } from '../bench/cards/FieldDefault';
import { Setting } from '../bench/cards/parts';
import type { Settings } from '../useTemplate';
import { startsOf, type Question } from './layout';

type Start = Question['start'];

const words: Record<Start['kind'], RoomCode> = {
  FIXED: 'templates.form-start-fixed',
  TODAY: 'templates.form-start-today',
  PERSON: 'templates.form-start-person',
  SERIES: 'templates.form-start-series',
  RULE: 'templates.form-start-rule',
};

/** What a question begins with. */
export function StartSetting({
  settings,
  fixed,
  field,
  start,
  onStart,
  onInitial,
}: {
  settings: Settings;
  fixed: boolean;
  field: Field;
  start: Start;
  onStart: (start: Start) => void;
  /** What stands in it from the start, as it is stored. */
  onInitial: (initial: string) => void;
}) {
  const kinds = startsOf(field.type);
  if (kinds.length < 2 && start.kind === 'FIXED') return null;
  const rules = settings.rules.filter(({ within }) => !within);
  return (
    <>
      <Setting label={say('templates.form-start')}>
        <select
          className={inputLook}
          value={start.kind}
          onChange={(event) => {
            const kind = event.target.value as Start['kind'];
            const of = { SERIES: 'N-yyyy-####', RULE: rules[0]?.name ?? '' }[kind as string] ?? '';
            onStart({ kind, of });
          }}
        >
          {[...new Set([...kinds, start.kind])].map((kind) => (
            <option key={kind} value={kind}>
              {say(words[kind])}
            </option>
          ))}
        </select>
      </Setting>
      {start.kind === 'FIXED' && (
        <FieldDefault
          key={field.type}
          field={field}
          language={settings.language}
          fixed={fixed}
          onChange={onInitial}
        />
      )}
      {start.kind === 'SERIES' && (
        <Setting label={say('templates.form-series')}>
          <input
            className={`${inputLook} font-mono`}
            value={start.of}
            onChange={(event) => onStart({ ...start, of: event.target.value })}
          />
        </Setting>
      )}
      {start.kind === 'RULE' && (
        <Setting label={say('templates.form-rule')}>
          <select
            className={inputLook}
            value={start.of}
            onChange={(event) => onStart({ ...start, of: event.target.value })}
          >
            {!rules.some(({ name }) => name === start.of) && (
              <option value={start.of}>{start.of || say('templates.form-no-rule')}</option>
            )}
            {rules.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>
        </Setting>
      )}
    </>
  );
}
