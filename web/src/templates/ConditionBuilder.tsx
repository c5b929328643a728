import { say } from '../messages/rooms';
import { useId, useState } from 'react';
import type { Schemas } from '../api/client';
import { Button } from '../ui/parts';
import { comparisonsOf, joined, numberFault, toFeel } from './condition';

type Field = Schemas['Field'];
const look = 'min-h-8 rounded-sm border border-edge bg-sheet px-2';

/** Builds a condition from a field, a comparison and a value, and puts it into an expression. */
export function ConditionBuilder({
  fields,
  expression,
  of,
  onChange,
}: {
  fields: Pick<Field, 'name' | 'type' | 'label' | 'choices'>[];
  expression: string;
  /** What the condition is of, for its accessible name. */
  of: string;
  onChange: (expression: string) => void;
}) {
  const id = useId();
  const [name, setName] = useState('');
  const [key, setKey] = useState('');
  const [value, setValue] = useState('');
  const field = fields.find((one) => one.name === name) ?? fields[0];
  if (!field) return null;
  const comparisons = comparisonsOf(field.type);
  const comparison = comparisons.find((one) => one.key === key) ?? comparisons[0];
  const feel = comparison ? toFeel(field, comparison.key, value) : '';
  const fault = comparison?.value ? numberFault(field.type, value) : '';
  const put = (by: 'and' | 'or') => {
    onChange(joined(expression, by, feel));
    setValue('');
  };
  return (
    <div
      role="group"
      aria-label={say('templates.build-a-condition-for', { of })}
      className="flex flex-wrap gap-2"
    >
      <select
        aria-label={say('templates.field')}
        className={look}
        value={field.name}
        onChange={(event) => {
          setName(event.target.value);
          setKey('');
          setValue('');
        }}
      >
        {fields.map((one) => (
          <option key={one.name} value={one.name}>
            {one.label}
          </option>
        ))}
      </select>
      <select
        aria-label={say('templates.comparison')}
        className={look}
        value={comparison?.key}
        onChange={(event) => setKey(event.target.value)}
      >
        {comparisons.map((one) => (
          <option key={one.key} value={one.key}>
            {one.words}
          </option>
        ))}
      </select>
      {comparison?.value && (
        <>
          <input
            aria-label={say('templates.value')}
            className={`${look} w-40`}
            type={field.type === 'DATE' ? 'date' : 'text'}
            list={field.choices.length ? id : undefined}
            value={value}
            onChange={(event) => setValue(event.target.value)}
          />
          <datalist id={id}>
            {field.choices.map((choice) => (
              <option key={choice} value={choice} />
            ))}
          </datalist>
          {fault && (
            <p role="alert" className="w-full text-oxide">
              {fault}
            </p>
          )}
        </>
      )}
      {expression.trim() ? (
        <>
          <Button disabled={!feel} onClick={() => put('and')}>
            {say('templates.and-this')}
          </Button>
          <Button disabled={!feel} onClick={() => put('or')}>
            {say('templates.or-this')}
          </Button>
        </>
      ) : (
        <Button disabled={!feel} onClick={() => put('and')}>
          {say('templates.take-this-condition')}
        </Button>
      )}
    </div>
  );
}
