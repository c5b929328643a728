import { useMutation } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Controller, FormProvider, useForm } from 'react-hook-form';
import { Problem, type Schemas } from '../api/client';
import { FieldInput } from '../intake/FieldInput';
import type { Answers } from '../intake/inputProps';
import { byAnswer } from '../intake/itemFaults';
import { FormFixed, FormLanguage, OfficeZone, typedData } from '../intake/typing';
import { say } from '../messages/rooms';
import { useSession } from '../office/queries';
import { Button, Trouble } from '../ui/parts';
import { LANGUAGE, type RegisterColumn, type Row } from './registers';
import { RowChoice } from './RowChoice';

/** A row's values in the inputs of their kinds. */
export function RowForm({
  register,
  row,
  fixed = false,
  act,
  keep,
  onKept,
}: {
  register: Schemas['RegisterDetail'];
  /** None for a new one. */
  row?: Row;
  fixed?: boolean;
  /** What the button says. */
  act: string;
  keep: (values: Record<string, string>, language: string) => Promise<Schemas['RowDetail']>;
  onKept: (kept: Schemas['RowDetail']) => void;
}) {
  const session = useSession();
  const { columns, key } = register.terms;
  const fields = columns.map(({ field }) => field);
  const form = useForm<Answers>({
    defaultValues: { values: typedData(fields, row?.values ?? {}, LANGUAGE), people: {} },
  });
  const { setError, clearErrors } = form;
  const save = useMutation({
    mutationFn: ({ values }: Answers) => {
      clearErrors();
      return keep(values, LANGUAGE);
    },
    onSuccess: onKept,
  });
  useEffect(() => {
    if (!(save.error instanceof Problem)) return;
    byAnswer(save.error.faults).forEach(([name, fault], i) =>
      setError(`values.${name}`, { type: 'server', ...fault }, { shouldFocus: i === 0 }),
    );
  }, [save.error, setError]);
  return (
    <FormProvider {...form}>
      <form
        noValidate
        aria-label={row ? say('registers.what-it-says') : say('registers.new-row')}
        className="@container flex max-w-2xl min-w-0 flex-col gap-4"
        onSubmit={(event) => void form.handleSubmit((body) => save.mutate(body))(event)}
      >
        <fieldset disabled={fixed} className="flex flex-col gap-4">
          <FormFixed.Provider value={fixed}>
            <FormLanguage.Provider value={LANGUAGE}>
              <OfficeZone.Provider value={session.data?.zone ?? ''}>
                {columns.map((column) =>
                  column.related ? (
                    <RelatedInput key={column.field.name} column={column} row={row} />
                  ) : (
                    <FieldInput
                      key={column.field.name}
                      field={{
                        ...column.field,
                        required: column.field.required || column.field.name === key,
                      }}
                    />
                  ),
                )}
              </OfficeZone.Provider>
            </FormLanguage.Provider>
          </FormFixed.Provider>
        </fieldset>
        <Trouble error={save.error} />
        {!fixed && (
          <Button
            type="submit"
            look="main"
            className="self-start"
            disabled={save.isPending || (row !== undefined && !form.formState.isDirty)}
          >
            {act}
          </Button>
        )}
      </form>
    </FormProvider>
  );
}

/** A column that names a row of a register. */
function RelatedInput({ column, row }: { column: RegisterColumn; row: Row | undefined }) {
  const { field, related } = column;
  const [shown, setShown] = useState(row?.related[field.name]?.label ?? '');
  return (
    <Controller<Answers>
      name={`values.${field.name}`}
      defaultValue=""
      render={({ field: input, fieldState }) => (
        <div className="flex flex-col gap-1">
          <span className="font-medium">
            {field.label}
            {!field.required && (
              <span className="font-normal text-soft"> {say('registers.may-stay-empty')}</span>
            )}
          </span>
          <div className="flex items-center gap-2">
            <div className="grow">
              <RowChoice
                register={related}
                label={field.label}
                shown={input.value ? shown : ''}
                onChoose={(chosen) => {
                  setShown(chosen.label);
                  input.onChange(chosen.id);
                }}
              />
            </div>
            {Boolean(input.value) && (
              <Button
                aria-label={say('registers.empty', { column: field.label })}
                onClick={() => input.onChange('')}
              >
                ×
              </Button>
            )}
          </div>
          {fieldState.error?.message && <p className="text-oxide">{fieldState.error.message}</p>}
        </div>
      )}
    />
  );
}
