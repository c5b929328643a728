import { useMutation } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { answer, api, Problem, type Schemas } from '../api/client';
import { ChooseLanguage } from '../intake/ChooseLanguage';
import { byAnswer } from '../intake/itemFaults';
import { ChosenPerson } from '../intake/ChosenPerson';
import { Desk } from '../intake/formDesk';
import { FormSections } from '../intake/FormSections';
import type { Answers } from '../intake/inputProps';
import { forgetHere, leaveHere } from '../intake/kept';
import { questionAt } from '../intake/live/answerAt';
import { typedData } from '../intake/typing';
import { useAnotherLanguage } from '../intake/useAnotherLanguage';
import { useFaults } from '../intake/useFaults';
import { useFormState } from '../intake/useFormState';
import { useSay } from '../messages/useSay';
import { Button, Trouble } from '../ui/parts';
import { AskerInputs } from './AskerInputs';
import { deskOf } from './desk';
import { look, useErrand } from './errand';
import { GoOnLater } from './GoOnLater';
import { placeOf } from './keptHere';
import { Thanks } from './Thanks';
import { Wording } from './Wording';
import type { inAddress } from './address';

/** How long a form is open at least before it is handed in, in milliseconds: the server asks for three seconds. */
const LEAST = 3200;

type Asker = Schemas['Asker'];
type Begun = Answers & { key: string; asker: Asker };

/** The form itself: filled, left to go on later, handed in. */
export function AskForm({
  token,
  access,
  page,
  form: opened,
  begun,
  address,
  onLanguage,
}: {
  token: string;
  access: string;
  page: Schemas['AskPage'];
  form: Schemas['Form'];
  /** Answers that were typed before. */
  begun: Begun | undefined;
  address: ReturnType<typeof inAddress>;
  onLanguage: (language: string) => void;
}) {
  const words = useSay();
  const desk = useMemo(() => deskOf(token, access), [token, access]);
  const fixed = useMemo(() => new Set(page.fixed), [page.fixed]);
  const [shown, setShown] = useState(opened);
  const form = useMemo(() => withFixed(shown, fixed), [shown, fixed]);
  const [openedAt] = useState(() => Date.now());
  const [errand, setErrand] = useState(page.errand);
  const found = useErrand(errand, page.bits);
  const [asker, setAsker] = useState<Asker>(begun?.asker ?? page.asker);
  const [faults, setFaults] = useState<Record<string, string>>({});
  const answers = useForm<Answers>({
    defaultValues: {
      values: {
        ...typedData(
          form.fields,
          { ...form.initials, ...known(form, address.open) },
          form.language,
        ),
        // what the form has no question for any more could not be mended
        ...known(form, begun?.values ?? {}),
        ...typedData(
          form.fields,
          Object.fromEntries(page.fixed.map((name) => [name, form.initials[name] ?? ''])),
          form.language,
        ),
      },
      people: begun?.people ?? {},
    },
  });
  const { setError, clearErrors, control } = answers;
  useAnotherLanguage(form, answers, desk.reading);
  const read = useFaults(form, answers, desk.reading);
  const state = useFormState(form, answers, desk.state);
  const [values, people] = useWatch({ control, name: ['values', 'people'] });
  const trap = useRef<HTMLInputElement>(null);
  const handed = useRef(false);
  const touched =
    answers.formState.isDirty ||
    begun !== undefined ||
    asker.name !== page.asker.name ||
    asker.mail !== page.asker.mail;
  useEffect(() => {
    if (!touched || handed.current) return;
    leaveHere(
      placeOf(token),
      JSON.stringify({ key: page.key, values, people, asker, language: form.language }),
    );
  }, [touched, token, page.key, values, people, asker, form.language]);
  const handIn = useMutation({
    mutationFn: async (body: Answers) => {
      clearErrors();
      setFaults({});
      // who has everything in the address already would be taken for a robot
      const early = openedAt + LEAST - Date.now();
      if (early > 0) await new Promise((go) => setTimeout(go, early));
      return answer(
        api.POST('/api/v1/ask/{token}', {
          params: { path: { token } },
          body: {
            key: page.key,
            ...body,
            asker,
            language: form.language,
            access,
            answers: address.sealed,
            errand,
            found: found ?? (await look(errand, page.bits, () => false)),
            website: trap.current?.value ?? '',
          },
        }),
      );
    },
    onSuccess: () => {
      handed.current = true;
      forgetHere(placeOf(token));
      window.scrollTo(0, 0);
    },
    onError: (problem) => {
      if (!(problem instanceof Problem)) return;
      const { faults: all, saidFaults, said } = problem;
      const told: Record<string, string> = {};
      const texts = Object.entries(all).map(([name, english]) => [
        name,
        words.saying(saidFaults[name]) ?? english,
      ]);
      byAnswer(Object.fromEntries(texts)).forEach(([name, fault], i) => {
        const [first, part] = name.split('.');
        if (first === 'asker') told[part ?? ''] = fault.message;
        else
          setError(
            part ? (`people.${first}.${part}` as 'people') : (`values.${name}` as 'values'),
            {
              type: 'server',
              ...fault,
            },
            { shouldFocus: i === 0 },
          );
      });
      setFaults(told);
      // an errand that is too old, or not ours any more, is fetched anew; the form stays as it is
      if (said?.code === 'ask.too-old' || said?.code === 'ask.robot') void freshErrand();
    },
  });
  const openIn = (language: string) =>
    answer(
      api.GET('/api/v1/ask/{token}', {
        params: {
          path: { token },
          query: { language, access, key: page.key, answers: address.sealed },
        },
      }),
    );
  async function freshErrand() {
    const next = await openIn(form.language).catch(() => undefined);
    if (next) setErrand(next.errand);
  }
  const inLanguage = useMutation({
    mutationFn: openIn,
    onSuccess: (next) => {
      if (!next.form) return;
      // the errand stays: the form has been open as long as before
      setShown(next.form);
      onLanguage(next.form.language);
    },
  });
  if (handIn.data) return <Thanks asked={handIn.data} title={page.title} />;
  return (
    <Desk.Provider value={desk}>
      <FormProvider {...answers}>
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 pb-4">
          <h1 className="mr-auto text-2xl">{page.title}</h1>
          <ChooseLanguage
            label={words.say('ask.language')}
            hidden
            languages={form.languages}
            language={form.language}
            disabled={inLanguage.isPending}
            onChoose={(language) => inLanguage.mutate(language)}
          />
        </div>
        <form
          noValidate
          className="@container flex flex-col gap-5"
          onBlur={(event) => {
            const left = questionAt(event.target);
            if (left && left !== questionAt(event.relatedTarget)) void read(left);
          }}
          onSubmit={(event) => void answers.handleSubmit((body) => handIn.mutate(body))(event)}
        >
          <FormSections form={form} state={state} />
          {form.chosen.map((party) => (
            <ChosenPerson key={party.party} party={party} />
          ))}
          <AskerInputs
            name={page.asksName}
            mail={page.asksMail}
            asker={asker}
            faults={faults}
            onChange={setAsker}
          />
          {/* people neither see nor reach it; robots fill whatever they find */}
          <div className="hidden" aria-hidden="true">
            <label>
              {words.say('ask.website')}
              <input ref={trap} name="website" tabIndex={-1} autoComplete="off" />
            </label>
          </div>
          <Trouble error={handIn.error ?? inLanguage.error} />
          <div className="flex flex-wrap items-center gap-3">
            <Button
              type="submit"
              look="main"
              className="min-h-11"
              disabled={handIn.isPending || !state}
            >
              {handIn.isPending ? words.say('ask.handing-in') : words.say('ask.hand-in')}
            </Button>
            <GoOnLater
              token={token}
              access={access}
              pageKey={page.key}
              answers={{ values, people }}
              asker={{ ...asker, mail: asker.mail || mailIn(form, values) }}
              language={form.language}
            />
          </div>
        </form>
        {page.wording && <Wording desk={desk} form={form} values={values} />}
      </FormProvider>
    </Desk.Provider>
  );
}

/** What stands sealed in the address can be read and not changed. */
function withFixed(form: Schemas['Form'], fixed: Set<string>): Schemas['Form'] {
  if (!fixed.size) return form;
  return {
    ...form,
    sections: form.sections.map((section) => ({
      ...section,
      questions: section.questions.map((one) =>
        fixed.has(one.field) ? { ...one, readOnly: true } : one,
      ),
    })),
  };
}

/** The first mail address that was answered, where the form itself asks for whose form it is. */
function mailIn(form: Schemas['Form'], values: Record<string, string>): string {
  const field = form.fields.find(({ type }) => type === 'MAIL_ADDRESS');
  return (field && values[field.name]) ?? '';
}

/** Those answers of the address for which the form has a question. */
function known(form: Schemas['Form'], open: Record<string, string>): Record<string, string> {
  const names = new Set(form.fields.map(({ name }) => name));
  return Object.fromEntries(Object.entries(open).filter(([name]) => names.has(name)));
}
