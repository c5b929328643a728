import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../api/client';
import { Button, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { FieldInput, type Answers } from './FieldInput';
import { FormLanguage, typedData } from './typing';

/** A template's form: filled anew, or a request corrected. */
export default function FormRoom() {
  const { template, number } = useParams();
  const source = useQuery({
    queryKey: template ? ['form', template] : ['request', number],
    queryFn: async () => {
      if (template) {
        const form = await answer(
          api.GET('/api/v1/templates/{id}/form', { params: { path: { id: template } } }),
        );
        return { form, row: undefined, values: {}, people: {} };
      }
      return answer(
        api.GET('/api/v1/requests/{number}', { params: { path: { number: number ?? '' } } }),
      );
    },
    staleTime: Infinity,
    gcTime: 0,
  });
  if (source.isPending) return <Waiting what="Opening the form…" />;
  if (!source.data) return <Trouble error={source.error} />;
  return <FilledForm key={number ?? template} {...source.data} />;
}

type Source = {
  form: Schemas['Form'];
  row?: Schemas['RequestRow'] | undefined;
  values: Record<string, string>;
  people: Record<string, Schemas['PersonInput']>;
};

function FilledForm({ form, row, values, people }: Source) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const answers = useForm<Answers>({
    defaultValues: { values: typedData(form.fields, values, form.language), people },
  });
  const { setError, clearErrors } = answers;
  const save = useMutation({
    mutationFn: async (body: Answers) => {
      clearErrors();
      const kept = row
        ? await answer(
            api.PUT('/api/v1/requests/{number}', {
              params: { path: { number: row.number } },
              body: { ...body, language: form.language },
            }),
          )
        : await answer(
            api.POST('/api/v1/requests', {
              body: { template: form.template, language: form.language, ...body },
            }),
          );
      if (row?.agreement) return row.agreement;
      const made = await answer(
        api.POST('/api/v1/requests/{number}/agreement', {
          params: { path: { number: kept.row.number } },
        }),
      );
      return made.agreement;
    },
    onSuccess: (agreement) => {
      queries.removeQueries({ queryKey: ['agreement', agreement] });
      void navigate(`/agreements/${agreement}`);
    },
  });
  useEffect(() => {
    if (!(save.error instanceof Problem)) return;
    const faults = Object.entries(save.error.faults);
    faults.forEach(([name, message], i) => {
      const [party, part] = name.split('.');
      const path = part ? (`people.${party}.${part}` as 'people') : (`values.${name}` as 'values');
      setError(path, { type: 'server', message }, { shouldFocus: i === 0 });
    });
  }, [save.error, setError]);
  return (
    <>
      <RoomTitle title={form.name}>
        <span className="text-soft">
          {row ? `request ${row.number}` : `new request, template version ${form.version}`}
        </span>
        {row?.agreement && <Link to={`/agreements/${row.agreement}`}>{row.agreement}</Link>}
      </RoomTitle>
      {row && (
        <div className="flex max-w-2xl flex-col items-start gap-2 pb-4">
          <KeepAsSpecimen number={row.number} />
        </div>
      )}
      <FormProvider {...answers}>
        <form
          noValidate
          className="flex max-w-2xl flex-col gap-4"
          onSubmit={(event) => void answers.handleSubmit((body) => save.mutate(body))(event)}
        >
          <FormLanguage.Provider value={form.language}>
            {form.fields.map((field) => (
              <FieldInput key={field.name} field={field} />
            ))}
          </FormLanguage.Provider>
          {form.chosen.map((party) => (
            <fieldset key={party.party} className="grid grid-cols-2 gap-3 border border-rule p-3">
              <legend className="px-1 font-medium">{party.label}</legend>
              <FieldInput field={personField(party, 'name')} path={`people.${party.party}.name`} />
              <FieldInput field={personField(party, 'mail')} path={`people.${party.party}.mail`} />
            </fieldset>
          ))}
          <Trouble error={save.error} />
          <Button type="submit" look="main" className="self-start" disabled={save.isPending}>
            {row?.agreement ? 'Make the agreement again' : 'Make the agreement'}
          </Button>
        </form>
      </FormProvider>
    </>
  );
}

function personField(party: Schemas['ChosenParty'], part: 'name' | 'mail'): Schemas['Field'] {
  return {
    name: `${party.party}-${part}`,
    type: part === 'mail' ? 'MAIL_ADDRESS' : 'TEXT',
    label: part === 'mail' ? 'Mail address' : 'Full name',
    required: true,
    hint: '',
    choices: [],
    items: [],
  };
}

/** Keeps a request's data with the draft of its template, persons replaced. */
function KeepAsSpecimen({ number }: { number: string }) {
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/requests/{number}/specimen', {
          params: { path: { number } },
          body: { name: `From ${number}` },
        }),
      ),
  });
  if (keep.data) return <Replaced replaced={keep.data.replaced} />;
  return (
    <>
      <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
        Keep as a specimen, persons replaced
      </Button>
      <Trouble error={keep.error} />
    </>
  );
}

/** What was put in the place of persons' data; what is named in free text only, a person has to find. */
function Replaced({ replaced }: { replaced: Schemas['Replacement'][] }) {
  return (
    <details className="max-w-xl" open>
      <summary className="text-moss">
        Kept as a specimen of the draft, {replaced.length}{' '}
        {replaced.length === 1 ? 'value' : 'values'} replaced
      </summary>
      <p className="text-clay">
        Look it over under Specimens: a person who is named only within a text can’t be found by the
        program.
      </p>
      <ul className="text-soft">
        {replaced.map((one, i) => (
          <li key={i}>
            {one.field}: <s>{one.before}</s> {one.after || 'left out'}
          </li>
        ))}
      </ul>
    </details>
  );
}
