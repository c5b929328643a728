import { say } from '../messages/rooms';
import { FieldExtras } from '../templates/bench/cards/FieldExtras';
import { Setting } from '../templates/bench/cards/parts';
import { Button, inputLook } from '../ui/parts';
import { typeWords } from '../ui/words';
import { useRegisters, type RegisterColumn } from './registers';

type Type = RegisterColumn['field']['type'];

/** What a column holds. */
export function ColumnCard({
  column,
  own,
  known = false,
  isKey,
  shown,
  onChange,
  onKey,
  onShown,
  onUp,
  onDown,
  onOut,
}: {
  column: RegisterColumn;
  /** The register's own name; none for a new one. */
  own: string | undefined;
  /** Whether rows may have something in it already. */
  known?: boolean | undefined;
  isKey: boolean;
  shown: boolean;
  onChange: (column: RegisterColumn) => void;
  onKey: () => void;
  onShown: (on: boolean) => void;
  onUp: (() => void) | undefined;
  onDown: (() => void) | undefined;
  onOut: (() => void) | undefined;
}) {
  const { field, unique, related } = column;
  const registers = useRegisters();
  const setField = (part: Partial<typeof field>) =>
    onChange({ ...column, field: { ...field, ...part } });
  const kind = related ? `row:${related}` : field.type;
  const tick = (label: string, checked: boolean, set: (on: boolean) => void, disabled = false) => (
    <label className="flex min-h-8 items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={checked}
        disabled={disabled}
        onChange={(event) => set(event.target.checked)}
      />
      {label}
    </label>
  );
  return (
    <li className="flex flex-col gap-2 border border-rule bg-sheet px-3 py-2">
      <fieldset className="flex flex-col gap-2">
        <legend className="sr-only">{field.label}</legend>
        <div className="flex flex-wrap items-end gap-3">
          <Setting label={say('registers.label')} className="w-56">
            <input
              className={inputLook}
              value={field.label}
              onChange={(event) => setField({ label: event.target.value })}
            />
          </Setting>
          <Setting label={say('registers.holds')} className="w-60">
            <select
              className={inputLook}
              value={kind}
              onChange={(event) => {
                const to = event.target.value;
                onChange(
                  to.startsWith('row:')
                    ? { ...column, related: to.slice(4), field: { ...field, type: 'TEXT' } }
                    : { ...column, related: '', field: { ...field, type: to as Type } },
                );
              }}
            >
              {Object.entries(typeWords)
                .filter(([type]) => type !== 'ITEMS')
                .map(([type, words]) => (
                  <option key={type} value={type}>
                    {words}
                  </option>
                ))}
              {(registers.data ?? []).map(({ name, title }) => (
                <option key={name} value={`row:${name}`}>
                  {say(name === own ? 'registers.a-row-of-itself' : 'registers.a-row-of', {
                    register: title,
                  })}
                </option>
              ))}
            </select>
          </Setting>
          <code className="pb-2 text-soft">{field.name}</code>
          <div className="ml-auto flex gap-1">
            {onUp && (
              <Button
                aria-label={say('registers.column-up', { column: field.label })}
                onClick={onUp}
              >
                ↑
              </Button>
            )}
            {onDown && (
              <Button
                aria-label={say('registers.column-down', { column: field.label })}
                onClick={onDown}
              >
                ↓
              </Button>
            )}
            {onOut && (
              <Button
                aria-label={say(known ? 'registers.leave-out' : 'registers.take-column-out', {
                  column: field.label,
                })}
                onClick={onOut}
              >
                ×
              </Button>
            )}
          </div>
        </div>
        <div className="flex flex-wrap gap-x-5">
          <label className="flex min-h-8 items-center gap-2">
            <input type="radio" name="key" className="size-5" checked={isKey} onChange={onKey} />
            {say('registers.is-key')}
          </label>
          {tick(say('registers.names-the-row'), shown, onShown)}
          {tick(
            say('registers.required'),
            field.required || isKey,
            (required) => setField({ required }),
            isKey,
          )}
          {tick(
            say('registers.unique'),
            unique || isKey,
            (on) => onChange({ ...column, unique: on }),
            isKey,
          )}
        </div>
        <FieldExtras field={field} onChange={setField} />
      </fieldset>
    </li>
  );
}
