import type { ReactNode } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, describedBy, inputLook, Labelled } from '../../ui/parts';
import { kindWords, kinds } from './dateWords';
import { TeamsTold } from './TeamsTold';
import type { TypedDate } from './WatchDates';

/** One watched date: what happens, when, whether it comes again, who is told how long before. */
export function WatchedDateInputs({
  at,
  form,
  sources,
  onRemove,
}: {
  at: number;
  form: UseFormReturn<{ dates: TypedDate[] }>;
  sources: Schemas['DateSource'][];
  onRemove: () => void;
}) {
  const { register, watch, setValue, formState } = form;
  const faults = formState.errors.dates?.[at] as Record<string, { message?: string }> | undefined;
  const [title, way, every, teams] = watch([
    `dates.${at}.title`,
    `dates.${at}.way`,
    `dates.${at}.every`,
    `dates.${at}.teams`,
  ]);
  const id = (name: string) => `dates.${at}.${name}`;
  const part = (name: string, label: string, hint: string, input: ReactNode, of = name) => (
    <Labelled id={id(name)} label={label} hint={hint} fault={faults?.[of]?.message}>
      {input}
    </Labelled>
  );
  const said = (name: string, hint = '') => ({
    id: id(name),
    ...describedBy(id(name), hint, faults?.[name]?.message),
  });
  const warnHint = say('dates.warn-hint');
  const mailsHint = say('dates.mails-hint');
  return (
    <fieldset className="flex min-w-0 flex-col gap-3 border-l-2 border-rule pl-3">
      <legend className="pb-1 font-medium">{title || say('dates.another')}</legend>
      <div className="grid gap-3 sm:grid-cols-[minmax(0,1fr)_12rem]">
        {part(
          'title',
          say('dates.title'),
          '',
          <input {...said('title')} className={inputLook} {...register(`dates.${at}.title`)} />,
        )}
        {part(
          'kind',
          say('dates.kind'),
          '',
          <select {...said('kind')} className={inputLook} {...register(`dates.${at}.kind`)}>
            {kinds.map((kind) => (
              <option key={kind} value={kind}>
                {kindWords(kind)}
              </option>
            ))}
          </select>,
        )}
      </div>
      <div className="flex flex-wrap items-end gap-3">
        {part(
          'way',
          say('dates.when'),
          '',
          <select {...said('way')} className={`${inputLook} w-32`} {...register(`dates.${at}.way`)}>
            <option value="on">{say('dates.on')}</option>
            <option value="before">{say('dates.before')}</option>
            <option value="after">{say('dates.after')}</option>
          </select>,
        )}
        {way !== 'on' &&
          part(
            'shift',
            say('dates.how-much'),
            '',
            <input
              {...said('shift')}
              type="number"
              min={1}
              className={`${inputLook} max-w-24`}
              {...register(`dates.${at}.count`, { valueAsNumber: true })}
            />,
          )}
        {way !== 'on' &&
          part(
            'unit',
            say('dates.unit'),
            '',
            <select
              {...said('unit')}
              className={`${inputLook} w-32`}
              {...register(`dates.${at}.unit`)}
            >
              <option value="DAYS">{say('dates.days')}</option>
              <option value="MONTHS">{say('dates.months')}</option>
              <option value="YEARS">{say('dates.years')}</option>
            </select>,
          )}
        {part(
          'from',
          say('dates.of-day'),
          '',
          <select {...said('from')} className={inputLook} {...register(`dates.${at}.from`)}>
            <option value="">{say('dates.choose-day')}</option>
            {sources.map(({ name, label }) => (
              <option key={name} value={name}>
                {label}
              </option>
            ))}
          </select>,
        )}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={every !== 0}
            onChange={(event) => setValue(`dates.${at}.every`, event.target.checked ? 12 : 0)}
          />
          {say('dates.again')}
        </label>
        {every !== 0 && (
          <label className="flex items-center gap-2">
            {say('dates.every')}
            <input
              type="number"
              min={1}
              aria-invalid={faults?.every ? true : undefined}
              className={`${inputLook} max-w-20`}
              {...register(`dates.${at}.every`, { valueAsNumber: true })}
            />
            {say('dates.months')}
          </label>
        )}
        {faults?.every && <p className="text-oxide">{faults.every.message}</p>}
      </div>
      {part(
        'warn',
        say('dates.warn'),
        warnHint,
        <input
          {...said('warn', warnHint)}
          className={`${inputLook} max-w-60`}
          {...register(`dates.${at}.warn`)}
        />,
      )}
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-5" {...register(`dates.${at}.owner`)} />
        {say('dates.warn-owner')}
      </label>
      {part(
        'mails',
        say('dates.mails'),
        mailsHint,
        <input
          {...said('mails', mailsHint)}
          className={inputLook}
          {...register(`dates.${at}.mails`)}
        />,
      )}
      <TeamsTold
        chosen={teams}
        fault={faults?.teams?.message}
        onChange={(next) => setValue(`dates.${at}.teams`, next)}
      />
      <Button className="self-start" onClick={onRemove}>
        {say('dates.remove')}
        <span className="sr-only">{title}</span>
      </Button>
    </fieldset>
  );
}
