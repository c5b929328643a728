import { say } from '../messages/rooms';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../api/client';
import { newKey } from '../api/key';
import { RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { ChooseLanguage } from './ChooseLanguage';
import { FilledForm } from './FilledForm';
import { KeepAsSpecimen } from './KeepAsSpecimen';
import type { Answers } from './inputProps';
import { answerNotes } from './answerNotes';
import { RequestDesk } from './RequestDesk';
import { RequestParts } from './RequestParts';
import { takingFor, withItem, withTaken, type Taken } from './lookup/taking';
import { RegisterChanges } from './lookup/RegisterChanges';
import { forRenewal, Renewing, type Renewed } from './Renewing';
import { forgetHere, leftHere, type Begun } from './kept';

/** A template's form: filled anew, maybe with the answers of an earlier request, or a request corrected. */
export default function FormRoom() {
  const { template, number } = useParams();
  // what was begun of one form is nothing to another
  return <Room key={template ?? number} template={template} number={number} />;
}

function Room({ template, number }: { template: string | undefined; number: string | undefined }) {
  const [address] = useSearchParams();
  const from = address.get('from') ?? '';
  const row = address.get('row') ?? '';
  const renews = address.get('renews') ?? '';
  const [begun] = useState(address.get('form') ?? '');
  // answers that were taken over from a register stand in the form anew
  const [renewed, setRenewed] = useState(0);
  const source = useQuery({
    queryKey: template ? ['form', template, from, row, begun, renews] : ['request', number],
    queryFn: async () => {
      if (template) {
        const kept = begun ? await keptAnswers(begun) : undefined;
        const form = await formIn(template, kept?.language ?? address.get('language') ?? '');
        const earlier = from && !kept ? await requestOf(from) : undefined;
        const looked =
          row && !kept && !earlier
            ? await lookedUp(form, address.get('question') ?? '', row)
            : undefined;
        // a new form gets numbers of its own
        const numbered = form.sections.flatMap(({ questions }) =>
          questions.filter((one) => earlier && one.start === 'SERIES').map((one) => one.field),
        );
        const known = new Set(
          form.fields.map(({ name }) => name).filter((name) => !numbered.includes(name)),
        );
        const all = Object.entries((kept ?? earlier)?.values ?? {});
        const values = Object.fromEntries(all.filter(([name]) => known.has(name)));
        const renewal = renews && !kept ? await forRenewal(renews, form, values) : undefined;
        return {
          form,
          row: undefined,
          values:
            kept || earlier ? (renewal?.values ?? values) : { ...form.initials, ...looked?.values },
          people: (kept ?? earlier)?.people ?? {},
          taken: kept?.taken ?? looked?.taken ?? [],
          begun: kept && begun,
          renews: kept ? (kept.renews ?? '') : renews,
          renewal,
          unasked: all.filter(
            ([name, value]) => !known.has(name) && !numbered.includes(name) && value.trim() !== '',
          ),
          agreementState: null,
        };
      }
      return requestOf(number ?? '');
    },
    staleTime: Infinity,
    gcTime: 0,
  });
  if (!source.data) return <Unshown query={source} waiting={say('intake.opening-the-form')} />;
  return (
    <RequestForm
      key={`${number ?? template} ${from} ${renewed}`}
      {...source.data}
      onRenewed={() => setRenewed(renewed + 1)}
      request={'history' in source.data ? source.data : undefined}
    />
  );
}

const formIn = (template: string, language: string) =>
  answer(
    api.GET('/api/v1/templates/{id}/form', {
      params: { path: { id: template }, query: { language } },
    }),
  );

/** The answers of a form that was begun: those of this browser are newer than the server's. */
async function keptAnswers(key: string): Promise<Begun | undefined> {
  const here = leftHere(key);
  if (here) return here;
  try {
    return await answer(api.GET('/api/v1/begun-forms/{key}', { params: { path: { key } } }));
  } catch (gone) {
    if (gone instanceof Problem && gone.status === 404) return undefined;
    throw gone;
  }
}

/** What a new form begins with that is opened from a row of a register. */
async function lookedUp(form: Schemas['Form'], question: string, row: string) {
  const found = await takingFor({ template: form.template })(question, row, form.language);
  const list = form.fields.some(({ name, type }) => name === question && type === 'ITEMS');
  return {
    values: list ? { [question]: withItem('', found.said) } : found.said,
    taken: withTaken([], question, found, list),
  };
}

function requestOf(number: string) {
  return answer(api.GET('/api/v1/requests/{number}', { params: { path: { number } } }));
}

type Source = {
  form: Schemas['Form'];
  row?: Schemas['RequestRow'] | undefined;
  values: Record<string, string>;
  people: Record<string, Schemas['PersonInput']>;
  taken: Taken[];
  agreementState: Schemas['RequestDetail']['agreementState'];
  /** The key of the form that is gone on with. */
  begun?: string | undefined;
  /** The number of the agreement that it renews; empty for none. */
  renews?: string;
  renewal?: Renewed | undefined;
  /** The request with what the office does with it; nothing for a new form. */
  request?: Schemas['RequestDetail'] | undefined;
  /** Answers for which the form has no question any more, by name. */
  unasked?: [string, string][];
  onRenewed: () => void;
};

function RequestForm({
  form: opened,
  row,
  values,
  people,
  taken: rows,
  agreementState,
  begun,
  renews = '',
  renewal,
  unasked,
  request,
  onRenewed,
}: Source) {
  const [typed, setTyped] = useState(false);
  // the request is taken in once, however often what comes after it has to be tried
  const [key] = useState(() => begun ?? newKey());
  const [, setAddress] = useSearchParams();
  const [form, setForm] = useState(opened);
  const queries = useQueryClient();
  const inLanguage = useMutation({
    mutationFn: (language: string) => formIn(form.template, language),
    onSuccess: setForm,
  });
  const onBegun = useCallback(() => {
    void queries.invalidateQueries({ queryKey: ['begun-forms'] });
    setAddress(
      (now) => {
        now.set('form', key);
        return now;
      },
      { replace: true },
    );
  }, [key, queries, setAddress]);
  const [taken, setTaken] = useState(row?.number);
  const sent = ['OUT', 'SEALING', 'COMPLETED'].includes(agreementState ?? '');
  const several = (request?.parts.length ?? 0) > 1 && !request?.partOf;
  const underWay = agreementState === 'GENERATING' || agreementState === 'CHECK';
  const make = async (body: Answers) => {
    const kept = taken
      ? await answer(
          api.PUT('/api/v1/requests/{number}', {
            params: { path: { number: taken } },
            body: { ...body, taken: body.taken ?? null, language: form.language },
          }),
        )
      : await answer(
          api.POST('/api/v1/requests', {
            body: {
              template: form.template,
              language: form.language,
              key,
              ...body,
              taken: body.taken ?? null,
              renews: renews || null,
            },
          }),
        );
    setTaken(kept.row.number);
    forgetHere(key);
    void queries.invalidateQueries({ queryKey: ['begun-forms'] });
    if (row?.agreement && underWay && !several) return row.agreement;
    const made = await answer(
      api.POST('/api/v1/requests/{number}/agreement', {
        params: { path: { number: kept.row.number } },
      }),
    );
    return made.agreement;
  };
  return (
    <>
      <RoomTitle title={form.name}>
        <span className="text-soft">
          {row
            ? say('intake.request', { number: row.number })
            : say('intake.new-request-template-version', { version: form.version })}
        </span>
        {row?.agreement && <Link to={`/agreements/${row.agreement}`}>{row.agreement}</Link>}
        {!row && (
          <ChooseLanguage
            label={say('intake.form-language')}
            languages={form.languages}
            language={form.language}
            disabled={inLanguage.isPending}
            onChoose={(language) => inLanguage.mutate(language)}
          />
        )}
      </RoomTitle>
      <Trouble error={inLanguage.error} />
      {request && <RequestDesk request={request} />}
      {request && <RequestParts request={request} />}
      {request && !sent && <RegisterChanges request={request} held={typed} onTaken={onRenewed} />}
      {row && (
        <div className="flex max-w-2xl flex-col items-start gap-2 pb-4">
          <KeepAsSpecimen number={row.number} />
          {row.agreement && (
            <Link to={`/intake/new/${form.template}?from=${row.number}`}>
              {say('intake.fill-a-new-form-with')}
            </Link>
          )}
          {sent && (
            <p className="border-l-4 border-clay bg-sheet px-3 py-2">
              {say('intake.has-been-sent-so-these', { agreement: row.agreement })}
            </p>
          )}
        </div>
      )}
      {renews && <Renewing number={renews} renewed={renewal} />}
      {unasked?.length ? (
        <section
          aria-label={say('intake.unasked')}
          className="mb-4 max-w-2xl border-l-4 border-clay bg-sheet px-3 py-2"
        >
          <p>{say('intake.unasked')}</p>
          <ul>
            {unasked.map(([name, value]) => (
              <li key={name} className="wrap-anywhere text-soft">
                {name.replaceAll('_', ' ')}: {value}
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <FilledForm
        form={form}
        values={values}
        people={people}
        taken={rows}
        fixed={sent}
        notes={request ? answerNotes(request) : {}}
        live={sent ? undefined : row ? { request: row.number } : { template: form.template }}
        onChanged={() => setTyped(true)}
        keep={row ? undefined : { key, typed: begun !== undefined, onBegun, renews }}
        make={make}
        act={
          !agreementState
            ? say(several ? 'intake.make-the-agreements' : 'intake.make-the-agreement')
            : underWay
              ? say(
                  several ? 'intake.make-the-agreements-again' : 'intake.make-the-agreement-again',
                )
              : say('intake.make-another-agreement')
        }
      />
    </>
  );
}
