import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { FieldInput } from '../../intake/FieldInput';
import type { Answers } from '../../intake/inputProps';
import { byAnswer } from '../../intake/itemFaults';
import { FormLanguage, typedData } from '../../intake/typing';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';

type Specimen = Schemas['Specimen'];

/** The data of a specimen, typed as in the template's form. */
export function SpecimenForm({
  specimen,
  fields,
  language,
  fixed,
  onKeep,
}: {
  specimen: Specimen;
  fields: Schemas['Field'][];
  language: string;
  fixed: boolean;
  onKeep: (specimen: Specimen) => void;
}) {
  const [name, setName] = useState(specimen.name);
  const form = useForm<Answers>({
    defaultValues: { values: typedData(fields, specimen.data, language), people: {} },
  });
  const { setError, clearErrors } = form;
  // a specimen may leave out what is required; what it has is read as a request's form is
  const read = useMutation({
    mutationFn: async (values: Record<string, string>) => {
      clearErrors();
      const body = { fields: fields.map((f) => ({ ...f, required: false })), values, language };
      return answer(api.POST('/api/v1/forms/reading', { body }));
    },
    onSuccess: ({ values: data, faults }) => {
      const told = byAnswer(faults);
      told.forEach(([at, fault], i) =>
        setError(`values.${at}`, { type: 'server', ...fault }, { shouldFocus: i === 0 }),
      );
      if (!told.length) onKeep({ name, origin: changed(data, specimen), data });
    },
  });
  return (
    <FormProvider {...form}>
      <form
        className="flex max-w-2xl flex-col gap-4 p-4"
        onSubmit={(event) =>
          void form.handleSubmit(({ values }) => {
            read.mutate(Object.fromEntries(Object.entries(values).filter(([, v]) => v !== '')));
          })(event)
        }
      >
        <label className="flex flex-col gap-1 font-medium">
          {say('templates.name-of-the-specimen')}
          <input
            className={inputLook}
            value={name}
            disabled={fixed}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <fieldset disabled={fixed} className="flex flex-col gap-4">
          <FormLanguage.Provider value={language}>
            {fields.map((field) => (
              <FieldInput key={field.name} field={field} />
            ))}
          </FormLanguage.Provider>
        </fieldset>
        <Trouble error={read.error} />
        {!fixed && (
          <Button type="submit" look="main" className="self-start">
            {say('templates.keep-this-specimen')}
          </Button>
        )}
      </form>
    </FormProvider>
  );
}

/** Data that a person has changed stay when specimens are drawn up anew. */
function changed(data: Record<string, string>, specimen: Specimen): Specimen['origin'] {
  const same =
    JSON.stringify(Object.entries(data).sort()) ===
    JSON.stringify(Object.entries(specimen.data).sort());
  return same ? specimen.origin : 'TYPED';
}
