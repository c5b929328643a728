import { say } from '../messages/rooms';
import { Button, inputLook } from '../ui/parts';
import { fresher, withRows, withTaken, type RealRecord, type Taken } from './records';

const ALWAYS = ':always';

/** What each field of the form is taken from, with what a real record says there. */
export function TakenFields({
  record,
  taken,
  related,
  faults,
  onChange,
}: {
  record: RealRecord;
  taken: Taken[];
  /** The names of all related rows. */
  related: string[];
  faults: Record<string, string>;
  onChange: (taken: Taken[]) => void;
}) {
  const lists = record.fields.filter(({ type }) => type === 'ITEMS');
  const proposed = fresher(taken, record.proposed);
  const rowsOf = (list: string) =>
    taken.find(({ field }) => field.startsWith(`${list}.`))?.rows ??
    record.proposed.find(({ field }) => field.startsWith(`${list}.`))?.rows ??
    related[0] ??
    '';
  const field = (one: RealRecord['fields'][number], rows: string) => (
    <TakenField
      key={one.name}
      field={one}
      taken={taken.find(({ field: name }) => name === one.name)}
      values={
        rows ? (record.related.find(({ name }) => name === rows)?.values ?? []) : record.values
      }
      said={record.faults.filter((fault) => fault.name === one.name).map((fault) => fault.said)}
      fault={faults[`taken.${one.name}`]}
      onChange={(source) => onChange(withTaken(taken, one.name, { rows, ...source }))}
    />
  );
  return (
    <div className="flex flex-col gap-3">
      {proposed.length > 0 && (
        <Button className="self-start" onClick={() => onChange([...taken, ...proposed])}>
          {say('records.take-proposed', { count: proposed.length })}
        </Button>
      )}
      <div className="border-t border-rule">
        {record.fields
          .filter(({ type, list }) => type !== 'ITEMS' && !list)
          .map((one) => field(one, ''))}
      </div>
      {lists.map((list) => {
        const rows = rowsOf(list.name);
        return (
          <section key={list.name} aria-label={list.label}>
            <label className="flex flex-wrap items-center gap-2 pb-1">
              <span className="font-medium">{list.label}</span>
              <span className="text-soft">{say('records.items-from')}</span>
              <select
                className={`${inputLook} max-w-60`}
                value={rows}
                onChange={(event) => onChange(withRows(taken, list.name, event.target.value))}
              >
                {related.length === 0 && <option value="">{say('records.no-related')}</option>}
                {related.map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
            {rows && (
              <div className="border-t border-rule">
                {record.fields
                  .filter((one) => one.list === list.name)
                  .map((one) => field(one, rows))}
              </div>
            )}
          </section>
        );
      })}
    </div>
  );
}

function TakenField({
  field,
  taken,
  values,
  said,
  fault,
  onChange,
}: {
  field: RealRecord['fields'][number];
  taken: Taken | undefined;
  values: { pointer: string; value: string }[];
  /** What is wrong with it in the record. */
  said: string[];
  fault: string | undefined;
  onChange: (source: { from: string; text: string }) => void;
}) {
  const from = taken?.from ?? '';
  const always = Boolean(taken?.text);
  const told = fault ?? said[0];
  const { part } = field;
  const value = values.find(({ pointer }) => pointer === from);
  return (
    <div className="grid items-start gap-x-3 border-b border-rule py-1 sm:grid-cols-[minmax(9rem,1fr)_2fr_1.4fr]">
      <label htmlFor={`taken.${field.name}`} className={part ? 'py-1 pl-5' : 'py-1'}>
        {part ? (
          <>
            <span className="sr-only">{field.label.slice(0, -part.length)}</span>
            {part}
          </>
        ) : (
          field.label
        )}
        {field.required && <span className="text-soft">, {say('records.required')}</span>}
      </label>
      <select
        id={`taken.${field.name}`}
        className={inputLook}
        value={always ? ALWAYS : from}
        aria-invalid={Boolean(told)}
        onChange={(event) =>
          onChange(
            event.target.value === ALWAYS
              ? { from: '', text: taken?.text || '…' }
              : { from: event.target.value, text: '' },
          )
        }
      >
        <option value="">{say('records.not-taken')}</option>
        <option value={ALWAYS}>{say('records.always')}</option>
        {from && !value && <option value={from}>{from}</option>}
        {values.map(({ pointer, value: seen }) => (
          <option key={pointer} value={pointer}>
            {seen ? `${pointer}   ${seen}` : pointer}
          </option>
        ))}
      </select>
      <div className="min-w-0 py-1">
        {always ? (
          <input
            aria-label={say('records.always-of', { field: field.label })}
            className={inputLook}
            value={taken?.text ?? ''}
            onChange={(event) => onChange({ from: '', text: event.target.value || '…' })}
          />
        ) : (
          value && <p className="wrap-anywhere">{value.value}</p>
        )}
        {told && <p className="text-oxide">{told}</p>}
      </div>
    </div>
  );
}
