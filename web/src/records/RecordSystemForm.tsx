import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { dateOrders, numberMarks } from '../tables/styles';
import { Setting } from '../templates/bench/cards/parts';
import { useAllTemplates } from '../templates/useAllTemplates';
import { Button, inputLook, Trouble } from '../ui/parts';
import { BackFields } from './BackFields';
import { PlaceFields } from './PlaceFields';
import { faultsOf, type RecordTerms } from './records';
import { SeenRecord } from './SeenRecord';
import { TakenFields } from './TakenFields';

/** Everything that is settled about a record system, with a real record beside it. */
export function RecordSystemForm({
  system,
  terms,
  act,
  disabled = false,
  save,
  onSaved,
}: {
  /** What there is already; none for a new one. */
  system?: Schemas['RecordSystemDetail'];
  terms: RecordTerms;
  act: string;
  disabled?: boolean;
  save: (terms: RecordTerms, credential: string) => Promise<Schemas['RecordSystemDetail']>;
  onSaved: (system: Schemas['RecordSystemDetail']) => void;
}) {
  const form = useForm<RecordTerms & { credential: string }>({
    defaultValues: { ...terms, credential: '' },
  });
  const { register, handleSubmit, watch, setValue, getValues } = form;
  const templates = useAllTemplates();
  const usable = (templates.data ?? []).filter((one) => one.publishedVersion > 0);
  const keep = useMutation({
    mutationFn: ({ credential, ...typed }: RecordTerms & { credential: string }) =>
      save(whole(typed), credential),
    onSuccess: onSaved,
  });
  const look = useMutation({
    mutationFn: (key: string) => {
      const { credential, ...typed } = getValues();
      return answer(
        api.POST('/api/v1/record-systems/looks', {
          body: {
            system: system?.id ?? null,
            terms: whole(typed),
            credential: credential || (system ? null : ''),
            key,
          },
        }),
      );
    },
  });
  const faults = { ...faultsOf(look.error), ...faultsOf(keep.error) };
  const [first] = Object.keys(faultsOf(keep.error));
  useEffect(() => {
    if (first) document.getElementById(first)?.focus();
  }, [first, keep.error]);
  const [chosen, taken, related] = watch(['form', 'taken', 'related']);
  const record = look.data;
  return (
    <div className="grid items-start gap-8 pb-6 lg:grid-cols-[3fr_2fr]">
      <form
        noValidate
        aria-label={say('records.terms')}
        onSubmit={(event) => void handleSubmit((typed) => keep.mutate(typed))(event)}
      >
        <datalist id="places">
          {record?.values.map(({ pointer }) => (
            <option key={pointer} value={pointer} />
          ))}
        </datalist>
        <fieldset disabled={disabled} className="flex min-w-0 flex-col gap-6">
          <PlaceFields
            form={form}
            faults={faults}
            notices={
              system ? `${window.location.origin}/api/v1/record-systems/${system.id}/notices` : ''
            }
            hasCredential={system?.hasCredential ?? false}
          />
          <fieldset className="flex min-w-0 flex-col gap-3">
            <legend className="pb-1 font-serif text-lg font-medium">{say('records.taken')}</legend>
            <div className="flex flex-wrap gap-3">
              <Setting label={say('records.template')} className="min-w-60 grow">
                <select
                  id="form"
                  className={inputLook}
                  value={chosen}
                  aria-invalid={Boolean(faults.form)}
                  onChange={(event) => setValue('form', event.target.value)}
                >
                  <option value="">{say('records.choose-template')}</option>
                  {chosen && !usable.some(({ id }) => id === chosen) && (
                    <option value={chosen}>{say('programs.form-at-rest')}</option>
                  )}
                  {usable.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </select>
              </Setting>
              <Setting label={say('tables.dates')} className="w-40">
                <select className={inputLook} {...register('dates')}>
                  {dateOrders.map(([one, words]) => (
                    <option key={one} value={one}>
                      {words}
                    </option>
                  ))}
                </select>
              </Setting>
              <Setting label={say('tables.numbers')} className="w-40">
                <select className={inputLook} {...register('numbers')}>
                  {numberMarks.map(([one, words]) => (
                    <option key={one} value={one}>
                      {words}
                    </option>
                  ))}
                </select>
              </Setting>
            </div>
            {faults.form && (
              <p className="text-oxide">{chosen ? faults.form : say('records.no-template')}</p>
            )}
            {record ? (
              <TakenFields
                record={record}
                taken={taken}
                related={related.map(({ name }) => name).filter(Boolean)}
                faults={faults}
                onChange={(next) => setValue('taken', next)}
              />
            ) : (
              <p className="text-soft">
                {taken.length > 0
                  ? say('records.taken-so-far', { count: taken.length })
                  : say('records.look-first')}
              </p>
            )}
          </fieldset>
          <BackFields form={form} faults={faults} />
          <Trouble error={keep.error} />
          <Button type="submit" look="main" className="self-start" disabled={keep.isPending}>
            {act}
          </Button>
        </fieldset>
      </form>
      <SeenRecord
        record={record}
        looking={look.isPending || !chosen || disabled}
        error={look.error}
        onLook={(key) => look.mutate(key)}
      />
    </div>
  );
}

const none = '00000000-0000-0000-0000-000000000000';

/** What is no number, and no template, is refused at its place. */
function whole(typed: RecordTerms): RecordTerms {
  const { everyMinutes } = typed.place;
  return {
    ...typed,
    form: typed.form || none,
    place: { ...typed.place, everyMinutes: Number.isInteger(everyMinutes) ? everyMinutes : 0 },
  };
}
