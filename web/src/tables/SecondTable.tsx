import { useMutation } from '@tanstack/react-query';
import { answer, api, upload, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { FileButton } from '../ui/FileButton';
import { Button, inputLook, Trouble } from '../ui/parts';
import { dateOrders, numberMarks } from './styles';

type Table = Schemas['TableDetail'];
type Second = Schemas['SecondView'];

/** Rows of a second file or sheet that go with those of the table, by a key that both have. */
export function SecondTable({ table, onTaken }: { table: Table; onTaken: (table: Table) => void }) {
  const { id, revision, second, heads, recognised, settings } = table;
  const path = { params: { path: { id } } };
  const bring = useMutation({
    mutationFn: (file: File) =>
      upload<Table>(`/api/v1/tables/${id}/second?revision=${revision}`, file),
    onSuccess: onTaken,
  });
  const settle = useMutation({
    mutationFn: (to: Pick<Second, 'key' | 'to' | 'dates' | 'numbers'>) =>
      answer(
        api.PUT('/api/v1/tables/{id}/second', {
          ...path,
          body: { revision, key: to.key, to: to.to, dates: to.dates, numbers: to.numbers },
        }),
      ),
    onSuccess: onTaken,
  });
  const sheet = useMutation({
    mutationFn: (name: string) =>
      answer(
        api.POST('/api/v1/tables/{id}/second-sheet', { ...path, body: { revision, sheet: name } }),
      ),
    onSuccess: onTaken,
  });
  const takeOut = useMutation({
    mutationFn: () =>
      answer(
        api.DELETE('/api/v1/tables/{id}/second', {
          params: { path: { id }, query: { revision } },
        }),
      ),
    onSuccess: onTaken,
  });
  const busy = bring.isPending || settle.isPending || sheet.isPending || takeOut.isPending;
  const sheets = recognised.sheets.filter((one) => one !== settings.style.sheet);
  const key = (
    label: string,
    value: number,
    columns: string[],
    onChange: (column: number) => void,
  ) => (
    <select
      aria-label={label}
      className={`${inputLook} max-w-60`}
      value={value}
      disabled={busy}
      onChange={(event) => onChange(Number(event.target.value))}
    >
      {columns.map((head, i) => (
        <option key={i} value={i + 1}>
          {head}
        </option>
      ))}
    </select>
  );
  const written = (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    sure: boolean,
    onChange: (value: string) => void,
  ) => (
    <label className="flex items-center gap-2">
      <span className="whitespace-nowrap text-soft">{label}</span>
      <select
        className={`${inputLook} ${sure ? '' : 'border-clay'}`}
        value={value}
        disabled={busy}
        onChange={(event) => onChange(event.target.value)}
      >
        {options.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </select>
      {!sure && <span className="text-clay">{say('tables.two-readings')}</span>}
    </label>
  );
  return (
    <section aria-labelledby="second" className="flex flex-col gap-2 pt-3">
      <h2 id="second" className="text-lg">
        {say('tables.second')}
      </h2>
      {second ? (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
          <span>{say('tables.second-is', { name: second.name })}</span>
          {key(say('tables.second-key', { name: second.name }), second.key, second.heads, (to) =>
            settle.mutate({ ...second, key: to }),
          )}
          <span>{say('tables.second-same-as')}</span>
          {key(say('tables.first-key'), second.to, heads.slice(0, second.columns), (to) =>
            settle.mutate({ ...second, to }),
          )}
          {written(say('tables.dates'), second.dates, dateOrders, second.datesSure, (dates) =>
            settle.mutate({ ...second, dates: dates as Second['dates'] }),
          )}
          {written(
            say('tables.numbers'),
            second.numbers,
            numberMarks,
            second.numbersSure,
            (marks) => settle.mutate({ ...second, numbers: marks as Second['numbers'] }),
          )}
          <Button disabled={busy} onClick={() => takeOut.mutate()}>
            {say('tables.take-second-out')}
          </Button>
        </div>
      ) : (
        <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
          <FileButton
            what={say('tables.second-file')}
            accept=".csv,.tsv,.txt,.xlsx,.json"
            disabled={busy}
            onFile={(file) => bring.mutate(file)}
          >
            {say('tables.bring-second')}
          </FileButton>
          {sheets.length > 0 && (
            <select
              aria-label={say('tables.second-sheet')}
              className={`${inputLook} max-w-60`}
              value=""
              disabled={busy}
              onChange={(event) => event.target.value && sheet.mutate(event.target.value)}
            >
              <option value="">{say('tables.second-sheet')}</option>
              {sheets.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
          )}
          <span className="text-soft">{say('tables.second-hint')}</span>
        </div>
      )}
      <Trouble error={bring.error ?? settle.error ?? sheet.error ?? takeOut.error} />
    </section>
  );
}
