import { useState } from 'react';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';
import type { RealRecord } from './records';

/** A real record beside the terms: what it says where, and what would be wrong with it. */
export function SeenRecord({
  record,
  looking,
  error,
  onLook,
}: {
  record: RealRecord | undefined;
  looking: boolean;
  error: unknown;
  onLook: (key: string) => void;
}) {
  const [key, setKey] = useState('');
  const places = (values: RealRecord['values']) => (
    <dl className="grid grid-cols-[minmax(8rem,auto)_1fr] gap-x-4">
      {values.map(({ pointer, value }) => (
        <div key={pointer} className="contents">
          <dt className="border-b border-rule py-0.5 font-mono text-[13px] text-soft wrap-anywhere">
            {pointer}
          </dt>
          <dd className="border-b border-rule py-0.5 wrap-anywhere">{value}</dd>
        </div>
      ))}
    </dl>
  );
  return (
    <section
      aria-labelledby="real-record"
      className="flex flex-col gap-3 border border-rule bg-sheet p-3 lg:sticky lg:top-2 lg:max-h-[calc(100vh-5rem)] lg:overflow-auto"
    >
      <h2 id="real-record" className="text-lg">
        {say('records.real-record')}
      </h2>
      {!record && <p className="text-soft">{say('records.real-record-hint')}</p>}
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onLook(key.trim());
        }}
      >
        <label className="flex min-w-0 grow flex-col gap-0.5">
          <span className="text-soft">{say('records.which')}</span>
          <input
            list="keys"
            className={inputLook}
            value={key}
            aria-describedby="which-hint"
            onChange={(event) => setKey(event.target.value)}
          />
        </label>
        <datalist id="keys">
          {record?.keys.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
        <Button type="submit" disabled={looking} className="shrink-0">
          {record ? say('records.look-again') : say('records.look')}
        </Button>
      </form>
      <p id="which-hint" className="text-soft">
        {record?.key
          ? say('records.found', { count: record.found, status: record.status })
          : say('records.which-hint')}
      </p>
      <Trouble error={error} />
      {record && !record.key && <p className="text-clay">{say('records.none-found')}</p>}
      {record?.key && (
        <>
          {record.faults.length === 0 ? (
            <p className="text-moss">{say('records.could-be-taken')}</p>
          ) : (
            <ul aria-label={say('records.faults')} className="flex flex-col gap-1">
              {record.faults.map((fault) => (
                <li key={fault.where + fault.field} className="border-l-2 border-oxide pl-2">
                  {fault.field && <strong className="font-medium">{fault.field}: </strong>}
                  {fault.said}
                  {fault.where && <span className="text-soft"> ({fault.where})</span>}
                </li>
              ))}
            </ul>
          )}
          {places(record.values)}
          {record.lists.map((pointer) => (
            <p key={pointer} className="text-soft">
              {say('records.a-list-at', { pointer })}
            </p>
          ))}
          {record.related.map(({ name, rows, values }) => (
            <div key={name}>
              <h3 className="pb-1 font-sans text-base font-semibold">
                {say('records.rows-of', { name, count: rows })}
              </h3>
              {places(values)}
            </div>
          ))}
        </>
      )}
    </section>
  );
}
