import { say, type RoomCode } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { FormProvider, useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { FieldInput } from '../intake/FieldInput';
import type { Answers } from '../intake/inputProps';
import { FormLanguage, typedData } from '../intake/typing';
import { Button, Empty, inputLook, Trouble } from '../ui/parts';
import { ProofView } from './ProofView';
import { underWay, useDrawing, useProof, type Work } from './useProof';
import type { Settings } from './useTemplate';

type Detail = Schemas['TemplateDetail'];
type Specimen = Schemas['Specimen'];

const origins: Record<Specimen['origin'], string> = {
  TYPED: 'typed',
  FROM_REQUEST: say('templates.from-a-request-person-replaced'),
  DRAWN_UP: say('templates.drawn-up-for-the-rules'),
  SHORTEST: say('templates.shortest-plausible'),
  LONGEST: say('templates.longest-plausible'),
};

/** Test data kept with the template, and the proof that is printed from it. */
export function SpecimensPart({
  settings,
  detail,
  fixed,
  unsaved,
  onChange,
  onTaken,
}: {
  settings: Settings;
  detail: Detail;
  fixed: boolean;
  unsaved: boolean;
  onChange: (settings: Settings) => void;
  onTaken: (detail: Detail) => void;
}) {
  const [open, setOpen] = useState(-1);
  const { work, proof, drawing, error, ask } = useProof(detail.id);
  const drawUp = useDrawing(detail, drawing, onTaken);
  const printing = ask.isPending || underWay(work);
  const { specimens } = settings;
  const set = (next: Specimen[]) => onChange({ ...settings, specimens: next });
  const pages = `/api/v1/templates/${detail.id}/specimens`;
  const pictures = (at: number) => (work?.current && proof?.specimens[at]?.pictures.length) || 0;
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 pb-3">
        {!fixed && (
          <>
            <Button disabled={unsaved || drawUp.going} onClick={() => drawUp.ask()}>
              {say('templates.draw-up-specimens-for-every')}
            </Button>
            <Button
              onClick={() => {
                set([
                  ...specimens,
                  {
                    name: say('templates.specimen', { what: specimens.length + 1 }),
                    origin: 'TYPED',
                    data: {},
                  },
                ]);
                setOpen(specimens.length);
              }}
            >
              {say('templates.type-a-specimen')}
            </Button>
          </>
        )}
        <Button
          look="main"
          disabled={!specimens.length || unsaved || printing}
          onClick={() => ask.mutate()}
        >
          {say('templates.print-the-proof')}
        </Button>
        {drawUp.going && <Progress work={drawing} said="templates.of-cases-reached-you-can" />}
        {printing && <Progress work={work} said="templates.of-specimens-printed-you-can" />}
      </div>
      <Trouble error={drawUp.error ?? error} />
      {[drawUp.failed, work?.state === 'FAILED' ? work.reason : '']
        .filter(Boolean)
        .map((reason) => (
          <p
            key={reason}
            role="alert"
            className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide"
          >
            {reason}
          </p>
        ))}
      {!specimens.length && <Empty>{say('templates.a-specimen-is-a-set')}</Empty>}
      <ul className="flex flex-col border-t border-rule">
        {specimens.map((specimen, i) => (
          <li key={i} className="border-b border-rule">
            <div className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1 px-2">
              <button
                type="button"
                aria-expanded={open === i}
                className="min-h-8 min-w-48 text-left font-medium underline decoration-rule underline-offset-4"
                onClick={() => setOpen(open === i ? -1 : i)}
              >
                {specimen.name}
              </button>
              <span className="grow text-soft">{origins[specimen.origin]}</span>
              {!unsaved && i < detail.content.specimens.length && (
                <>
                  <a href={`${pages}/${i}/pages.pdf`}>{say('templates.pdf')}</a>
                  <a href={`${pages}/${i}/specimen.docx`}>{say('templates.word')}</a>
                  <Pictures at={`${pages}/${i}/pages`} count={pictures(i)} />
                </>
              )}
              {!fixed && (
                <Button onClick={() => set(specimens.filter((_, at) => at !== i))}>
                  {say('templates.remove-called')}
                  <span className="sr-only">{specimen.name}</span>
                </Button>
              )}
            </div>
            {open === i && (
              <SpecimenForm
                specimen={specimen}
                fields={settings.fields}
                language={settings.language}
                fixed={fixed}
                onKeep={(next) => {
                  set(specimens.map((one, at) => (at === i ? next : one)));
                  setOpen(-1);
                }}
              />
            )}
          </li>
        ))}
      </ul>
      {work?.state === 'DONE' && !work.current && (
        <p className="pt-5 text-clay">{say('templates.the-template-has-changed-since')}</p>
      )}
      {proof && <ProofView id={detail.id} proof={proof} />}
    </>
  );
}

/** A specimen's pages as pictures, which are there when the proof has been printed. */
function Pictures({ at, count }: { at: string; count: number }) {
  if (!count) return null;
  return (
    <span className="flex flex-wrap gap-2">
      {say('templates.pictures-of-pages')}
      {Array.from({ length: count }, (_, i) => (
        <a
          key={i}
          href={`${at}/${i + 1}.png`}
          aria-label={say('templates.picture-of-page', { page: i + 1 })}
          className="min-w-6 text-center"
        >
          {i + 1}
        </a>
      ))}
    </span>
  );
}

/** How far a piece of long work is. */
function Progress({ work, said }: { work: Work | null | undefined; said: RoomCode }) {
  const { done = 0, total = 0 } = work ?? {};
  return (
    <span role="status" className="flex items-center gap-3 text-soft">
      <progress
        className="h-2 w-40 appearance-none overflow-hidden rounded-sm bg-rule [&::-moz-progress-bar]:bg-moss [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:bg-moss"
        value={done}
        max={Math.max(1, total)}
      />
      {say(said, { done, total })}
    </span>
  );
}

function SpecimenForm({
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
      const names = Object.keys(faults);
      names.forEach((at, i) =>
        setError(
          `values.${at}`,
          { type: 'server', message: faults[at] ?? '' },
          { shouldFocus: i === 0 },
        ),
      );
      if (!names.length) onKeep({ name, origin: changed(data, specimen), data });
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
