import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Setting } from '../templates/bench/cards/parts';
import { Button, inputLook, Trouble } from '../ui/parts';
import { RunSettings } from './RunSettings';
import { SecondTable } from './SecondTable';
import { dateOrders, encodings, numberMarks, separators } from './styles';

type Table = Schemas['TableDetail'];
type Settings = Schemas['TableSettings'];

/** How a table is read, and what its columns are; a change is looked over anew before anything is done. */
export function TakenAs({ table, onTaken }: { table: Table; onTaken: (table: Table) => void }) {
  const { recognised, heads, fields } = table;
  const [settings, setSettings] = useState<Settings>(table.settings);
  const { style } = settings;
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/v1/tables/{id}', {
          params: { path: { id: table.id } },
          body: { revision: table.revision, settings },
        }),
      ),
    onSuccess: onTaken,
  });
  const set = (part: Partial<Settings['style']>) =>
    setSettings({ ...settings, style: { ...style, ...part } });
  const changed = JSON.stringify(settings) !== JSON.stringify(table.settings);
  const text = style.format === 'CSV';
  const run = table.purpose === 'RUN';
  const choice = (
    label: string,
    value: string,
    options: readonly (readonly [string, string])[],
    on: (value: string) => void,
    unsure = false,
  ) => (
    <Setting label={label} className="w-52">
      <select
        className={`${inputLook} ${unsure ? 'border-clay' : ''}`}
        value={value}
        onChange={(event) => on(event.target.value)}
      >
        {options.map(([one, words]) => (
          <option key={one} value={one}>
            {words}
          </option>
        ))}
      </select>
      {unsure && <span className="text-clay">{say('tables.two-readings')}</span>}
    </Setting>
  );
  return (
    <section aria-label={say('tables.taken-as')} className="mb-4 border border-rule bg-sheet p-3">
      <div className="flex flex-wrap items-start gap-3">
        {text &&
          choice(say('tables.encoding'), style.encoding, encodings, (encoding) =>
            set({ encoding }),
          )}
        {text &&
          choice(say('tables.separator'), style.separator, separators, (separator) =>
            set({ separator }),
          )}
        {recognised.sheets.length > 1 &&
          choice(
            say('tables.sheet'),
            style.sheet,
            recognised.sheets.map((one) => [one, one] as const),
            (sheet) => set({ sheet }),
          )}
        {style.format !== 'JSON' && (
          <Setting label={say('tables.head-row')} className="w-40">
            <input
              type="number"
              min={1}
              max={1000}
              className={inputLook}
              value={style.headRow}
              onChange={(event) => set({ headRow: Math.max(1, Number(event.target.value) || 1) })}
            />
          </Setting>
        )}
        {choice(
          say('tables.dates'),
          style.dates,
          dateOrders,
          (dates) => set({ dates: dates as typeof style.dates }),
          !recognised.datesSure,
        )}
        {choice(
          say('tables.numbers'),
          style.numbers,
          numberMarks,
          (numbers) => set({ numbers: numbers as typeof style.numbers }),
          !recognised.numbersSure,
        )}
      </div>
      {recognised.hiddenRows > 0 && (
        <label className="flex min-h-8 items-center gap-2 pt-2">
          <input
            type="checkbox"
            className="size-5"
            checked={style.hidden}
            onChange={(event) => set({ hidden: event.target.checked })}
          />
          {say('tables.hidden-rows', { count: recognised.hiddenRows })}
        </label>
      )}
      {recognised.merged > 0 && (
        <p className="pt-2 text-soft">{say('tables.merged', { count: recognised.merged })}</p>
      )}
      <h2 className="pt-3 pb-1 text-lg">{say('tables.columns-are')}</h2>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-2">
        {heads.map((head, i) => (
          <Setting key={i} label={head}>
            <select
              className={inputLook}
              value={settings.joins[i] ?? ''}
              onChange={(event) =>
                setSettings({
                  ...settings,
                  joins: heads.map((_, at) =>
                    at === i
                      ? event.target.value
                      : settings.joins[at] === event.target.value
                        ? ''
                        : (settings.joins[at] ?? ''),
                  ),
                })
              }
            >
              <option value="">{say('tables.not-taken')}</option>
              {fields.map(({ name, label }) => (
                <option key={name} value={name}>
                  {label}
                </option>
              ))}
            </select>
          </Setting>
        ))}
      </div>
      {run ? (
        <RunSettings
          heads={heads}
          second={Boolean(table.second)}
          settings={settings}
          onChange={setSettings}
        />
      ) : (
        <label className="flex min-h-8 items-center gap-2 pt-2">
          <input
            type="checkbox"
            className="size-5"
            checked={settings.clears}
            onChange={(event) => setSettings({ ...settings, clears: event.target.checked })}
          />
          {say('tables.empty-cells-clear')}
        </label>
      )}
      {run && !changed && <SecondTable table={table} onTaken={onTaken} />}
      <Trouble error={save.error} />
      {(changed || table.state === 'REFUSED') && (
        <Button
          look="main"
          className="mt-2"
          disabled={save.isPending}
          onClick={() => save.mutate()}
        >
          {say('tables.take-it-so')}
        </Button>
      )}
    </section>
  );
}
