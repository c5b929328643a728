import { useMutation, useQueryClient } from '@tanstack/react-query';
import { FormProvider, useForm } from 'react-hook-form';
import { Link } from 'react-router';
import { answer, api, Problem, type Schemas } from '../../api/client';
import { FieldInput } from '../../intake/FieldInput';
import { FormWords } from '../../intake/formWords';
import type { Answers } from '../../intake/inputProps';
import { byAnswer } from '../../intake/itemFaults';
import { FormLanguage, OfficeZone, typedData } from '../../intake/typing';
import { say } from '../../messages/rooms';
import { useSay } from '../../messages/useSay';
import { useSession } from '../../office/queries';
import { Button, Trouble } from '../../ui/parts';

/** One answer, corrected where it was found wrong; the documents follow. */
export function AnswerCard({
  request,
  name,
  note,
  onDone,
}: {
  request: Schemas['RequestDetail'];
  /** Of the datum. */
  name: string;
  /** What is to be said about the answer. */
  note: string;
  /** Told when the documents are being made again. */
  onDone: () => void;
}) {
  const { form } = request;
  const { number, agreement } = request.row;
  const words = useSay();
  const queries = useQueryClient();
  const session = useSession();
  const answers = useForm<Answers>({
    defaultValues: {
      values: typedData(form.fields, request.values, form.language),
      people: request.people,
    },
  });
  const field = form.fields.find((one) => one.name === name);
  const asked = form.sections
    .flatMap(({ questions }) => questions)
    .find((one) => one.field === name);
  const save = useMutation({
    mutationFn: async (body: Answers) => {
      answers.clearErrors();
      // only this answer changes: others may have been corrected elsewhere since the card was opened
      const path = { params: { path: { number } } };
      const now = await answer(api.GET('/api/v1/requests/{number}', path));
      const values = typedData(now.form.fields, now.values, form.language);
      return answer(
        api.PUT('/api/v1/requests/{number}', {
          ...path,
          body: {
            values: { ...values, [name]: body.values[name] ?? '' },
            people: now.people,
            language: form.language,
            taken: null,
          },
        }),
      );
    },
    onSuccess: async (kept) => {
      queries.setQueryData(['request', number], kept);
      await queries.invalidateQueries({ queryKey: ['agreement', agreement] });
      onDone();
    },
    onError: (error) => {
      if (!(error instanceof Problem)) return;
      const said = Object.entries(error.faults).map(([of, english]) => [
        of,
        words.saying(error.saidFaults[of]) ?? english,
      ]);
      const fault = byAnswer(Object.fromEntries(said)).find(([of]) => of === name)?.[1];
      if (fault)
        answers.setError(`values.${name}`, { type: 'server', ...fault }, { shouldFocus: true });
    },
  });
  if (!field) return <p className="text-soft">{say('agreements.not-asked-for')}</p>;
  const elsewhere =
    save.error instanceof Problem
      ? Object.entries(save.error.faults)
          .filter(([of]) => of !== name && !of.includes('['))
          .map(([of, fault]) => {
            const label = form.fields.find((one) => one.name === of)?.label ?? of;
            return say('agreements.fault-of', { label, fault });
          })
      : [];
  return (
    <FormProvider {...answers}>
      <FormLanguage.Provider value={form.language}>
        <FormWords.Provider value={form.words}>
          <OfficeZone.Provider value={session.data?.zone ?? ''}>
            <form
              noValidate
              className="flex flex-col gap-2"
              onSubmit={(event) => {
                event.stopPropagation();
                void answers.handleSubmit((body) => save.mutate(body))(event);
              }}
            >
              {note && <p className="text-clay">{note}</p>}
              <FieldInput field={field} asked={asked} />
              {elsewhere.map((one) => (
                <p key={one} role="alert" className="text-oxide">
                  {one}
                </p>
              ))}
              {!answers.formState.errors.values && !elsewhere.length && (
                <Trouble error={save.error} />
              )}
              <div className="flex flex-wrap items-center gap-3">
                <Button type="submit" disabled={save.isPending}>
                  {say('agreements.correct-the-answer')}
                </Button>
                <Link to={`/intake/${number}`}>{say('agreements.open-the-form')}</Link>
              </div>
            </form>
          </OfficeZone.Provider>
        </FormWords.Provider>
      </FormLanguage.Provider>
    </FormProvider>
  );
}
