import { say, type RoomCode } from '../messages/rooms';
import { Narrow, narrowLook, type Narrowing } from '../ui/list/Narrow';
import { inputLook } from '../ui/parts';
import type { Condition, RegisterColumn, Terms } from './registers';
import { RowChoice } from './RowChoice';

const words: [string, RoomCode][] = [
  ['is', 'registers.how-is'],
  ['begins', 'registers.how-begins'],
  ['from', 'registers.how-from'],
  ['to', 'registers.how-to'],
  ['blank', 'registers.how-blank'],
  ['filled', 'registers.how-filled'],
];
const ordered = ['NUMBER', 'MONEY', 'DATE', 'DATE_TIME'];

/** What can be asked of a column. */
function waysOf({ field, related }: RegisterColumn) {
  const some = related
    ? ['is', 'blank', 'filled']
    : ordered.includes(field.type)
      ? ['is', 'from', 'to', 'blank', 'filled']
      : ['is', 'begins', 'blank', 'filled'];
  return words
    .filter(([how]) => some.includes(how))
    .map(([how, code]) => ({ how, words: say(code), bare: how === 'blank' || how === 'filled' }));
}

function narrowingOf(column: RegisterColumn): Narrowing {
  const { field, related } = column;
  return {
    key: field.name,
    label: field.label,
    ways: waysOf(column),
    atOnce: !!related,
    input: (_, value, onChange, add) =>
      related ? (
        <div className="w-72">
          <RowChoice register={related} label={field.label} onChoose={(row) => add(row.id)} />
        </div>
      ) : field.type === 'CHOICE' || field.type === 'YES_NO' ? (
        <select
          aria-label={field.label}
          className={narrowLook}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          <option value="" />
          {(field.type === 'YES_NO' ? ['yes', 'no'] : field.choices).map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      ) : (
        <input
          aria-label={field.label}
          className={`${inputLook} min-h-8 w-44`}
          type={field.type === 'DATE' ? 'date' : 'text'}
          placeholder={field.type === 'MONEY' ? say('registers.money-example') : ''}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      ),
  };
}

/** What a list of rows is narrowed by. */
export function Conditions({
  terms,
  conditions,
  onChange,
}: {
  terms: Terms;
  conditions: Condition[];
  onChange: (conditions: Condition[]) => void;
}) {
  return (
    <Narrow
      columns={terms.columns.map(narrowingOf)}
      conditions={conditions}
      saidOf={(one) => saidOf(terms, one)}
      onChange={onChange}
    />
  );
}

/** A condition in words. A row of another register is known by its id alone, until it is looked up. */
function saidOf(terms: Terms, { column, how, value }: Condition): string {
  const of = terms.columns.find(({ field }) => field.name === column);
  const way = words.find(([one]) => one === how)?.[1];
  return [of?.field.label ?? column, way ? say(way) : how, of?.related ? '…' : value]
    .filter(Boolean)
    .join(' ');
}
