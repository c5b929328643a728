import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { say } from '../messages/rooms';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../ui/parts';
import { ChooseForms } from './ChooseForms';
import { kinds, type WebhookTerms } from './programs';
import { handedIn, useServerFaults } from '../ui/serverFaults';

/** What a program is told, and where. */
export function WebhookForm<Kept>({
  terms,
  act,
  disabled = false,
  save,
  onSaved,
}: {
  terms: WebhookTerms;
  act: string;
  disabled?: boolean;
  save: (terms: WebhookTerms) => Promise<Kept>;
  onSaved: (kept: Kept) => void;
}) {
  const { register, handleSubmit, watch, setValue, setError, clearErrors, formState } =
    useForm<WebhookTerms>({ defaultValues: terms });
  const { errors } = formState;
  const keep = useMutation({
    mutationFn: (typed: WebhookTerms) => {
      return save(typed);
    },
    onSuccess: onSaved,
  });
  useServerFaults(keep.error, setError);
  const [chosen, forms] = watch(['kinds', 'forms']);
  const input = (name: 'title' | 'address', label: string, hint: string, example: string) => (
    <Labelled id={name} label={label} hint={hint} fault={errors[name]?.message}>
      <input
        id={name}
        className={inputLook}
        placeholder={example}
        {...register(name)}
        {...describedBy(name, hint, errors[name]?.message)}
      />
    </Labelled>
  );
  return (
    <form
      noValidate
      aria-label={say('programs.what-is-told')}
      onSubmit={handedIn({ clearErrors, handleSubmit }, (typed) => keep.mutate(typed))}
    >
      <fieldset disabled={disabled} className="flex min-w-0 flex-col gap-4">
        {input('title', say('programs.name'), '', say('programs.name-example'))}
        {input(
          'address',
          say('programs.address'),
          say('programs.address-hint'),
          'https://collection.example.org/told',
        )}
        <fieldset className="min-w-0">
          <legend className="pb-1 font-medium">{say('programs.told-when')}</legend>
          {errors.kinds && (
            <p className="pb-1 text-oxide">{(errors.kinds as { message?: string }).message}</p>
          )}
          <div className="grid gap-x-6 sm:grid-cols-2">
            {kinds.map(({ kind, words }) => (
              <label key={kind} className="flex min-h-8 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={chosen.includes(kind)}
                  onChange={(event) =>
                    setValue(
                      'kinds',
                      event.target.checked
                        ? [...chosen, kind]
                        : chosen.filter((one) => one !== kind),
                    )
                  }
                />
                {say(words)}
              </label>
            ))}
          </div>
        </fieldset>
        <ChooseForms
          hint={say('programs.told-forms-hint')}
          chosen={forms}
          fault={(errors.forms as { message?: string } | undefined)?.message}
          onChange={(next) => setValue('forms', next)}
        />
        <Trouble error={keep.error} />
        <Button type="submit" look="main" className="self-start" disabled={keep.isPending}>
          {act}
        </Button>
      </fieldset>
    </form>
  );
}
