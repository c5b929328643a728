import { useSay } from '../messages/useSay';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { Problem, type Schemas } from '../api/client';
import { Button, Trouble } from '../ui/parts';
import { ChosenPerson } from './ChosenPerson';
import { LookingUp } from './FormSection';
import { FormSections } from './FormSections';
import type { Answers } from './inputProps';
import { byAnswer } from './itemFaults';
import { KeptAnswers } from './KeptAnswers';
import { answerAt, questionAt, type AnswerAt } from './live/answerAt';
import { Live } from './live/Live';
import { formState, type LiveOf } from './live/source';
import { lookUp } from './lookup/LookUp';
import { Taking, takingFor, type Taken } from './lookup/taking';
import { useSession } from '../office/queries';
import { useFaults } from './useFaults';
import { useAnotherLanguage } from './useAnotherLanguage';
import { useFormState } from './useFormState';
import { FormFixed, OfficeZone, typedData } from './typing';

/** How answers are kept that are being typed. */
export type Keep = {
  key: string;
  /** Whether they are as somebody has typed them already, and not as they are stored. */
  typed: boolean;
  /** Told when the first answer is typed. */
  onBegun: () => void;
  /** The number of the agreement that it renews; empty for none. */
  renews: string;
};

/** A template's form with answers in it, of which an agreement is made. */
export function FilledForm({
  form,
  values,
  people,
  taken = [],
  fixed = false,
  notes = {},
  make,
  act,
  held = false,
  live,
  keep,
  onChanged,
}: {
  form: Schemas['Form'];
  values: Record<string, string>;
  people: Record<string, Schemas['PersonInput']>;
  /** Rows of registers that answers were taken from. */
  taken?: Taken[];
  /** Whether nothing can be changed any more. */
  fixed?: boolean;
  /** What is to be said about answers, by field. */
  notes?: Record<string, string>;
  /** Makes the agreement and tells its number. */
  make: (answers: Answers) => Promise<string>;
  /** What the button says. */
  act: string;
  /** Whether something else has to be done first. */
  held?: boolean;
  /** Whose documents are shown beside the form, as far as its answers go; without it none are. */
  live?: LiveOf | undefined;
  /** How answers are kept while they are typed; without it they are kept by nobody. */
  keep?: Keep | undefined;
  /** Told when something else is typed than what was there. */
  onChanged?: () => void;
}) {
  const session = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const answers = useForm<Answers>({
    defaultValues: {
      values: keep?.typed ? values : typedData(form.fields, values, form.language),
      people,
      taken,
    },
  });
  const take = useMemo(() => live && takingFor(live), [live]);
  const { setError, clearErrors } = answers;
  useAnotherLanguage(form, answers);
  const read = useFaults(form, answers);
  const state = useFormState(form, answers, live && ((soFar) => formState(live, soFar)));
  const [changed, setChanged] = useState(keep?.typed ?? false);
  // answers that were changed back have to be kept too
  if (answers.formState.isDirty && !changed) setChanged(true);
  const onBegun = keep?.onBegun;
  useEffect(() => {
    if (changed) onBegun?.();
  }, [changed, onBegun]);
  const told = useRef(onChanged);
  useEffect(() => {
    told.current = onChanged;
  });
  useEffect(() => {
    if (changed) told.current?.();
  }, [changed]);
  const words = useSay();
  const box = useRef<HTMLFormElement>(null);
  const [at, setAt] = useState<AnswerAt>();
  const save = useMutation({
    mutationFn: (body: Answers) => {
      clearErrors();
      return make(body);
    },
    onSuccess: (agreement) => {
      queries.removeQueries({ queryKey: ['agreement', agreement] });
      void navigate(`/agreements/${agreement}`);
    },
  });
  useEffect(() => {
    if (!(save.error instanceof Problem)) return;
    const { faults, saidFaults } = save.error;
    const said = Object.entries(faults).map(([name, english]) => [
      name,
      words.saying(saidFaults[name]) ?? english,
    ]);
    byAnswer(Object.fromEntries(said)).forEach(([name, fault], i) => {
      const [party, part] = name.split('.');
      const path = part ? (`people.${party}.${part}` as 'people') : (`values.${name}` as 'values');
      setError(path, { type: 'server', ...fault }, { shouldFocus: i === 0 });
    });
  }, [save.error, setError, words]);
  return (
    <FormProvider {...answers}>
      <div
        className={
          live ? 'grid items-start gap-8 lg:grid-cols-[minmax(20rem,5fr)_minmax(0,7fr)]' : undefined
        }
      >
        <form
          ref={box}
          noValidate
          className="@container flex max-w-2xl min-w-0 flex-col gap-4"
          onFocus={(event) => setAt(answerAt(event.target))}
          onBlur={(event) => {
            const left = questionAt(event.target);
            if (left && left !== questionAt(event.relatedTarget)) void read(left);
          }}
          onSubmit={(event) => void answers.handleSubmit((body) => save.mutate(body))(event)}
        >
          <fieldset disabled={fixed} className="flex flex-col gap-4">
            <FormFixed.Provider value={fixed}>
              <OfficeZone.Provider value={session.data?.zone ?? ''}>
                <Taking.Provider value={take}>
                  <LookingUp.Provider value={lookUp}>
                    <FormSections form={form} state={state} notes={notes} />
                  </LookingUp.Provider>
                </Taking.Provider>
              </OfficeZone.Provider>
            </FormFixed.Provider>
            {form.chosen.map((party) => (
              <ChosenPerson key={party.party} party={party} />
            ))}
          </fieldset>
          <Trouble error={save.error} />
          {keep && (
            <KeptAnswers
              formKey={keep.key}
              template={form.template}
              language={form.language}
              control={answers.control}
              changed={changed}
              renews={keep.renews}
            />
          )}
          {!fixed && (
            <Button
              type="submit"
              look="main"
              className="self-start"
              disabled={held || save.isPending}
            >
              {act}
            </Button>
          )}
        </form>
        {live && (
          <Live
            of={live}
            control={answers.control}
            language={form.language}
            fields={form.fields}
            form={box}
            at={at}
          />
        )}
      </div>
    </FormProvider>
  );
}
