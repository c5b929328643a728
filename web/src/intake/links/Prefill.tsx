import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import { FieldInput } from '../FieldInput';
import type { Answers } from '../inputProps';
import { FormLanguage } from '../typing';
import { CopyAddress } from './CopyAddress';

/** The form's address with answers in it, which may be sealed so that they can't be changed. */
export function Prefill({ link, form }: { link: Schemas['FormLinkRow']; form: Schemas['Form'] }) {
  const answers = useForm<Answers>({ defaultValues: { values: {}, people: {} } });
  const { setError, clearErrors } = answers;
  const [fixed, setFixed] = useState(true);
  const make = useMutation({
    mutationFn: ({ values }: Answers) => {
      clearErrors();
      return answer(
        api.POST('/api/v1/form-links/{id}/address', {
          params: { path: { id: link.id } },
          body: { values, language: form.language, fixed },
        }),
      );
    },
  });
  useEffect(() => {
    if (!(make.error instanceof Problem)) return;
    Object.entries(make.error.faults).forEach(([name, message]) =>
      setError(`values.${name}`, { message }),
    );
  }, [make.error, setError]);
  const asked = form.sections.flatMap(({ questions }) => questions.map(({ field }) => field));
  const fields = form.fields.filter(
    ({ name, type }) => asked.includes(name) && !['PICTURE', 'FILE', 'ITEMS'].includes(type),
  );
  return (
    <details className="max-w-2xl min-w-0 border border-rule bg-sheet p-4">
      <summary className="font-serif text-lg">{say('links.prefill')}</summary>
      <FormProvider {...answers}>
        <form
          noValidate
          className="@container flex flex-col gap-3 pt-3"
          onSubmit={(event) => void answers.handleSubmit((body) => make.mutate(body))(event)}
        >
          <p className="text-soft">{say('links.prefill-how')}</p>
          <FormLanguage.Provider value={form.language}>
            {fields.map((field) => (
              <FieldInput key={field.name} field={{ ...field, required: true }} />
            ))}
          </FormLanguage.Provider>
          <label className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={fixed}
              onChange={(event) => setFixed(event.target.checked)}
            />
            {say('links.prefill-fixed')}
          </label>
          <Trouble error={make.error} />
          <Button type="submit" className="self-start" disabled={make.isPending}>
            {say('links.prefill-make')}
          </Button>
          {make.data && (
            <p className="flex flex-wrap items-center gap-3">
              <code className="max-h-24 overflow-y-auto text-xs wrap-anywhere" tabIndex={0}>
                {make.data.address}
              </code>
              <CopyAddress address={make.data.address} title={say('links.prefill')} />
            </p>
          )}
        </form>
      </FormProvider>
    </details>
  );
}
