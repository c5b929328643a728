import { useState } from 'react';
import { say, type RoomCode } from '../messages/rooms';
import { Button, inputLook } from '../ui/parts';
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
  return words.filter(([how]) => some.includes(how));
}

/** What a list of rows is narrowed by: conditions as chips, and the next one to be added. */
export function Conditions({
  terms,
  conditions,
  onChange,
}: {
  terms: Terms;
  conditions: Condition[];
  onChange: (conditions: Condition[]) => void;
}) {
  const [column, setColumn] = useState('');
  const [how, setHow] = useState('is');
  const [value, setValue] = useState('');
  const of = terms.columns.find(({ field }) => field.name === column);
  const ways = of ? waysOf(of) : [];
  const asked = ways.some(([one]) => one === how) ? how : 'is';
  const add = (with_: string) => {
    onChange([...conditions, { column, how: asked, value: with_ }]);
    setColumn('');
    setValue('');
  };
  const bare = asked === 'blank' || asked === 'filled';
  return (
    <div className="flex flex-wrap items-center gap-2 pb-3">
      {conditions.map((one, i) => (
        <button
          key={i}
          type="button"
          className="min-h-7 rounded-sm border border-bottle bg-bottle px-2 text-onbottle"
          aria-label={say('registers.take-condition-out', { condition: saidOf(terms, one) })}
          onClick={() => onChange(conditions.filter((_, at) => at !== i))}
        >
          {saidOf(terms, one)} <span aria-hidden="true">×</span>
        </button>
      ))}
      <form
        aria-label={say('registers.narrow')}
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (of && (bare || value.trim())) add(bare ? '' : value.trim());
        }}
      >
        <select
          aria-label={say('registers.narrow-by')}
          className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
          value={column}
          onChange={(event) => {
            setColumn(event.target.value);
            setValue('');
          }}
        >
          <option value="">{say('registers.narrow-by')}</option>
          {terms.columns.map(({ field }) => (
            <option key={field.name} value={field.name}>
              {field.label}
            </option>
          ))}
        </select>
        {of && (
          <>
            <select
              aria-label={say('registers.how')}
              className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
              value={asked}
              onChange={(event) => setHow(event.target.value)}
            >
              {ways.map(([one, code]) => (
                <option key={one} value={one}>
                  {say(code)}
                </option>
              ))}
            </select>
            {!bare &&
              (of.related ? (
                <div className="w-72">
                  <RowChoice
                    register={of.related}
                    label={of.field.label}
                    onChoose={(row) => add(row.id)}
                  />
                </div>
              ) : of.field.type === 'CHOICE' || of.field.type === 'YES_NO' ? (
                <select
                  aria-label={of.field.label}
                  className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
                  value={value}
                  onChange={(event) => setValue(event.target.value)}
                >
                  <option value="" />
                  {(of.field.type === 'YES_NO' ? ['yes', 'no'] : of.field.choices).map((one) => (
                    <option key={one}>{one}</option>
                  ))}
                </select>
              ) : (
                <input
                  aria-label={of.field.label}
                  className={`${inputLook} min-h-8 w-44`}
                  type={of.field.type === 'DATE' ? 'date' : 'text'}
                  placeholder={of.field.type === 'MONEY' ? say('registers.money-example') : ''}
                  value={value}
                  onChange={(event) => setValue(event.target.value)}
                />
              ))}
            {(bare || !of.related) && <Button type="submit">{say('registers.narrow')}</Button>}
          </>
        )}
      </form>
    </div>
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
