import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../ui/parts';
import { ChooseForms } from './ChooseForms';
import { areas, reachIn, withReach, type ProgramTerms, type Reach } from './programs';
import { handedIn, useServerFaults } from '../ui/serverFaults';

type Typed = Omit<ProgramTerms, 'perMinute'> & { perMinute: string };

/** What a program may do. */
export function ProgramForm({
  terms,
  act,
  disabled = false,
  save,
  onSaved,
}: {
  terms: ProgramTerms;
  act: string;
  disabled?: boolean;
  save: (terms: ProgramTerms) => Promise<Schemas['ProgramDetail']>;
  onSaved: (program: Schemas['ProgramDetail']) => void;
}) {
  const { register, handleSubmit, watch, setValue, setError, clearErrors, formState } =
    useForm<Typed>({ defaultValues: { ...terms, perMinute: String(terms.perMinute) } });
  const { errors } = formState;
  const keep = useMutation({
    mutationFn: (typed: Typed) => {
      // what is no number is refused at its place
      return save({ ...typed, perMinute: Math.trunc(Number(typed.perMinute)) || 0 });
    },
    onSuccess: onSaved,
  });
  useServerFaults(keep.error, setError);
  const [scopes, forms] = watch(['scopes', 'forms']);
  return (
    <form
      noValidate
      aria-label={say('programs.what-it-may')}
      onSubmit={handedIn({ clearErrors, handleSubmit }, (typed) => keep.mutate(typed))}
    >
      <fieldset disabled={disabled} className="flex min-w-0 flex-col gap-4">
        <Labelled id="title" label={say('programs.name')} fault={errors.title?.message}>
          <input
            id="title"
            className={inputLook}
            placeholder={say('programs.name-example')}
            {...register('title')}
            {...describedBy('title', '', errors.title?.message)}
          />
        </Labelled>
        <fieldset className="min-w-0">
          <legend className="pb-1 font-medium">{say('programs.may')}</legend>
          {errors.scopes && (
            <p className="pb-1 text-oxide">{(errors.scopes as { message?: string }).message}</p>
          )}
          <div className="border-t border-rule">
            {areas.map(({ area, name, what }) => (
              <label
                key={area}
                className="grid grid-cols-[8rem_1fr_11rem] items-center gap-3 border-b border-rule py-1"
              >
                <span>{say(name)}</span>
                <span className="text-soft">{say(what)}</span>
                <select
                  className={inputLook}
                  value={reachIn(scopes, area)}
                  onChange={(event) =>
                    setValue('scopes', withReach(scopes, area, event.target.value as Reach))
                  }
                >
                  <option value="none">{say('programs.reach-none')}</option>
                  <option value="read">{say('programs.reach-read')}</option>
                  <option value="write">{say('programs.reach-write')}</option>
                </select>
              </label>
            ))}
          </div>
        </fieldset>
        <ChooseForms
          hint={say('programs.forms-hint')}
          chosen={forms}
          fault={(errors.forms as { message?: string } | undefined)?.message}
          onChange={(next) => setValue('forms', next)}
        />
        <Labelled
          id="perMinute"
          label={say('programs.per-minute')}
          fault={errors.perMinute?.message}
        >
          <input
            id="perMinute"
            className={`${inputLook} max-w-32`}
            inputMode="numeric"
            {...register('perMinute')}
            {...describedBy('perMinute', '', errors.perMinute?.message)}
          />
        </Labelled>
        <Trouble error={keep.error} />
        <Button type="submit" look="main" className="self-start" disabled={keep.isPending}>
          {act}
        </Button>
      </fieldset>
    </form>
  );
}
