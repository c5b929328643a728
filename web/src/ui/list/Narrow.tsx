import { useState, type ReactNode } from 'react';
import { say } from '../../messages/rooms';
import { Button } from '../parts';

/** Something that a list is narrowed by. */
export type Condition = { column: string; how: string; value: string };

/** A column that can narrow a list, and how. */
export type Narrowing = {
  key: string;
  label: string;
  ways: { how: string; words: string; /** It needs no value. */ bare?: boolean }[];
  /** What the value is given in; `add` adds the condition at once. */
  input: (
    how: string,
    value: string,
    onChange: (value: string) => void,
    add: (value: string) => void,
  ) => ReactNode;
  /** Whether giving the value adds the condition, without a button. */
  atOnce?: boolean;
};

export const narrowLook = 'min-h-8 rounded-sm border border-edge bg-sheet px-2';

/** What a list is narrowed by: conditions as chips, and the next one to be added. */
export function Narrow({
  columns,
  conditions,
  saidOf,
  onChange,
}: {
  columns: Narrowing[];
  conditions: Condition[];
  saidOf: (condition: Condition) => string;
  onChange: (conditions: Condition[]) => void;
}) {
  const [column, setColumn] = useState('');
  const [how, setHow] = useState('');
  const [value, setValue] = useState('');
  const of = columns.find(({ key }) => key === column);
  const way = of?.ways.find((one) => one.how === how) ?? of?.ways[0];
  const add = (given: string) => {
    if (!way) return;
    onChange([...conditions, { column, how: way.how, value: given }]);
    setColumn('');
    setValue('');
  };
  return (
    <div className="flex flex-wrap items-center gap-2 pb-3">
      {conditions.map((one, i) => (
        <button
          key={i}
          type="button"
          className="min-h-7 rounded-sm border border-bottle bg-bottle px-2 text-onbottle"
          aria-label={say('registers.take-condition-out', { condition: saidOf(one) })}
          onClick={() => onChange(conditions.filter((_, at) => at !== i))}
        >
          {saidOf(one)} <span aria-hidden="true">×</span>
        </button>
      ))}
      <form
        aria-label={say('registers.narrow')}
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (way && (way.bare || value.trim())) add(way.bare ? '' : value.trim());
        }}
      >
        <select
          aria-label={say('registers.narrow-by')}
          className={narrowLook}
          value={of ? column : ''}
          onChange={(event) => {
            setColumn(event.target.value);
            setValue('');
          }}
        >
          <option value="">{say('registers.narrow-by')}</option>
          {columns.map(({ key, label }) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
        {of && way && (
          <>
            <select
              aria-label={say('registers.how')}
              className={narrowLook}
              value={way.how}
              onChange={(event) => setHow(event.target.value)}
            >
              {of.ways.map((one) => (
                <option key={one.how} value={one.how}>
                  {one.words}
                </option>
              ))}
            </select>
            {!way.bare && of.input(way.how, value, setValue, add)}
            {(way.bare || !of.atOnce) && <Button type="submit">{say('registers.narrow')}</Button>}
          </>
        )}
      </form>
    </div>
  );
}
