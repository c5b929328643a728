import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { ChooseLanguage } from '../../intake/ChooseLanguage';
import { ChosenPerson } from '../../intake/ChosenPerson';
import { AroundQuestion, LookingUp } from '../../intake/FormSection';
import { lookUp } from '../../intake/lookup/LookUp';
import { Taking } from '../../intake/lookup/taking';
import { FormSections } from '../../intake/FormSections';
import type { Answers } from '../../intake/inputProps';
import type { SoFar } from '../../intake/live/source';
import { OfficeZone, typedData } from '../../intake/typing';
import { useFaults } from '../../intake/useFaults';
import { useFormState } from '../../intake/useFormState';
import { questionAt } from '../../intake/live/answerAt';
import { say } from '../../messages/rooms';
import { useSession } from '../../office/queries';
import { Unshown } from '../../ui/Unshown';
import type { Bench } from '../bench/bench';

/** The form as the server shows it of the template as it is now, to be tried; nothing of it is kept. */
export function FormPreview({
  bench,
  open,
  onOpen,
}: {
  bench: Bench;
  open: string | undefined;
  onOpen: (question: string) => void;
}) {
  const { detail } = bench;
  const [narrow, setNarrow] = useState(false);
  const [language, setLanguage] = useState('');
  const form = useQuery({
    queryKey: ['newest-form', detail.id, detail.version, detail.revision, language],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/newest-form', {
          params: { path: { id: detail.id }, query: { language } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  if (!form.data) return <Unshown query={form} waiting={say('intake.opening-the-form')} />;
  const { languages } = form.data;
  return (
    <section aria-label={say('templates.form-as-seen')}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 pb-3">
        <p className="mr-auto text-soft">{say('templates.form-try')}</p>
        <ChooseLanguage
          label={say('intake.form-language')}
          languages={languages}
          language={form.data.language}
          onChoose={setLanguage}
        />
        <label className="flex items-center gap-2">
          {say('templates.form-seen-on')}
          <select
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value={narrow ? 'phone' : 'desk'}
            onChange={(event) => setNarrow(event.target.value === 'phone')}
          >
            <option value="desk">{say('templates.form-on-desk')}</option>
            <option value="phone">{say('templates.form-on-phone')}</option>
          </select>
        </label>
      </div>
      <div
        className={`border border-rule bg-paper p-4 shadow-page ${narrow ? 'w-[360px]' : 'max-w-3xl'}`}
      >
        <Tried
          key={form.data.language}
          form={form.data}
          template={detail.id}
          open={open}
          onOpen={onOpen}
        />
      </div>
    </section>
  );
}

function Tried({
  form,
  template,
  open,
  onOpen,
}: {
  form: Schemas['Form'];
  template: string;
  open: string | undefined;
  onOpen: (question: string) => void;
}) {
  const session = useSession();
  const answers = useForm<Answers>({
    defaultValues: { values: typedData(form.fields, form.initials, form.language), people: {} },
  });
  const read = useFaults(form, answers);
  const take = useCallback(
    (question: string, row: string, language: string) =>
      answer(
        api.POST('/api/v1/templates/{id}/newest-form/taking', {
          params: { path: { id: template } },
          body: { question, row, language },
        }),
      ),
    [template],
  );
  const state = useFormState(form, answers, (body: SoFar) =>
    answer(
      api.POST('/api/v1/templates/{id}/newest-form/state', {
        params: { path: { id: template } },
        body,
      }),
    ),
  );
  const box = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (open && state)
      box.current?.querySelector(`[data-answer="${open}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [open, state]);
  const around = (field: string, question: ReactNode) => (
    <div
      onFocus={() => onOpen(field)}
      onClick={() => onOpen(field)}
      className={
        open === field
          ? 'border-l-2 border-ink pl-2 -ml-2.5'
          : 'border-l-2 border-transparent pl-2 -ml-2.5'
      }
    >
      {question}
    </div>
  );
  return (
    <FormProvider {...answers}>
      <form
        ref={box}
        noValidate
        aria-label={form.name}
        className="@container flex flex-col gap-4"
        onBlur={(event) => {
          const left = questionAt(event.target);
          if (left && left !== questionAt(event.relatedTarget)) void read(left);
        }}
        onSubmit={(event) => event.preventDefault()}
      >
        <h3 className="font-serif text-xl">{form.name}</h3>
        <AroundQuestion.Provider value={around}>
          <OfficeZone.Provider value={session.data?.zone ?? ''}>
            <Taking.Provider value={take}>
              <LookingUp.Provider value={lookUp}>
                <FormSections form={form} state={state} />
              </LookingUp.Provider>
            </Taking.Provider>
          </OfficeZone.Provider>
        </AroundQuestion.Provider>
        {form.chosen.map((party) => (
          <ChosenPerson key={party.party} party={party} />
        ))}
      </form>
    </FormProvider>
  );
}
