import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { AnnotatedPages } from '../page/AnnotatedPages';
import { Button, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { FieldsEditor } from './FieldsEditor';
import { PartiesEditor } from './PartiesEditor';
import { Readiness } from './Readiness';
import { TermsEditor } from './TermsEditor';

type Detail = Schemas['TemplateDetail'];
type Settings = Schemas['TemplateSettings'];
const parts = ['Wording', 'Fields', 'Parties', 'Terms'] as const;

/** One template: its wording with margins, what its data are, who acts, the terms of sending. */
export default function TemplateRoom() {
  const { id = '' } = useParams();
  const queries = useQueryClient();
  const key = ['template', id];
  const template = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/v1/templates/{id}', { params: { path: { id } } })),
  });
  const [part, setPart] = useState<(typeof parts)[number]>('Wording');
  const [draft, setDraft] = useState<Settings>();
  useEffect(() => {
    if (template.data) setDraft(template.data.content);
  }, [template.data]);
  const took = (detail: Detail) => {
    queries.setQueryData(key, detail);
    void queries.invalidateQueries({ queryKey: ['templates'] });
  };
  const save = useMutation({
    mutationFn: (content: Settings) =>
      answer(
        api.PUT('/api/v1/templates/{id}/content', {
          params: { path: { id } },
          body: { revision: template.data?.revision ?? 0, content },
        }),
      ),
    onSuccess: took,
  });
  const publish = useMutation({
    mutationFn: (revision: number) =>
      answer(
        api.POST('/api/v1/templates/{id}/publication', {
          params: { path: { id } },
          body: { revision },
        }),
      ),
    onSuccess: took,
  });
  const startDraft = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/templates/{id}/draft', { params: { path: { id } } })),
    onSuccess: took,
  });
  if (template.isPending) return <Waiting what="Opening the template…" />;
  if (!template.data || !draft) return <Trouble error={template.error} />;
  const detail = template.data;
  const fixed = detail.state === 'PUBLISHED';
  const changed = JSON.stringify(draft) !== JSON.stringify(detail.content);
  return (
    <>
      <RoomTitle title={detail.name}>
        <span className={fixed ? 'text-moss' : 'text-clay'}>
          version {detail.version}, {fixed ? 'published' : 'draft'}
        </span>
        {fixed ? (
          <>
            <Button onClick={() => startDraft.mutate()}>Start version {detail.version + 1}</Button>
            <Link to={`/intake/new/${id}`}>Fill its form</Link>
          </>
        ) : (
          <>
            <Button disabled={!changed || save.isPending} onClick={() => save.mutate(draft)}>
              Save the settings
            </Button>
            <Button
              look="main"
              disabled={changed || detail.obstacles.length > 0 || publish.isPending}
              onClick={() => publish.mutate(detail.revision)}
            >
              Publish version {detail.version}
            </Button>
          </>
        )}
      </RoomTitle>
      <Trouble error={save.error ?? publish.error ?? startDraft.error} />
      <div
        className="flex gap-1 border-b border-rule"
        role="tablist"
        aria-label="Parts of the template"
      >
        {parts.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            id={`tab-${name}`}
            aria-selected={part === name}
            aria-controls="part"
            className={`min-h-9 border-b-2 px-4 ${part === name ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
            onClick={() => setPart(name)}
          >
            {name}
          </button>
        ))}
      </div>
      <div id="part" role="tabpanel" aria-labelledby={`tab-${part}`} className="pt-4">
        {!fixed && <Readiness obstacles={detail.obstacles} diagnostics={detail.diagnostics} />}
        {part === 'Wording' && <WordingPart detail={detail} onTaken={took} />}
        {part === 'Fields' && (
          <FieldsEditor
            fields={draft.fields}
            fixed={fixed}
            onChange={(fields) => setDraft({ ...draft, fields })}
          />
        )}
        {part === 'Parties' && (
          <PartiesEditor
            settings={draft}
            fixed={fixed}
            onChange={(parties) => setDraft({ ...draft, parties })}
          />
        )}
        {part === 'Terms' && (
          <TermsEditor settings={draft} fixed={fixed} onChange={(settings) => setDraft(settings)} />
        )}
      </div>
    </>
  );
}

function WordingPart({ detail, onTaken }: { detail: Detail; onTaken: (detail: Detail) => void }) {
  const readable = detail.diagnostics.length === 0;
  const chooser = useRef<HTMLInputElement>(null);
  const preview = useQuery({
    queryKey: ['preview', detail.id, detail.version, detail.revision],
    queryFn: () =>
      answer(api.GET('/api/v1/templates/{id}/preview', { params: { path: { id: detail.id } } })),
    enabled: readable,
  });
  const replace = useMutation({
    mutationFn: (file: File) =>
      upload<Detail>(`/api/v1/templates/${detail.id}/wording?revision=${detail.revision}`, file),
    onSuccess: onTaken,
  });
  return (
    <>
      <div className="flex items-center gap-3 pb-4">
        <a href={`/api/v1/templates/${detail.id}/wording`} download>
          Download the Word file
        </a>
        {detail.state === 'DRAFT' && (
          <>
            <Button onClick={() => chooser.current?.click()}>Bring back a changed Word file</Button>
            <input
              ref={chooser}
              type="file"
              accept=".docx"
              aria-label="Changed Word file"
              className="hidden"
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) replace.mutate(file);
                event.target.value = '';
              }}
            />
          </>
        )}
        <span className="text-soft">
          Left: what data does here. Right: who acts here. Names of fields stand in brackets.
        </span>
      </div>
      <Trouble error={replace.error ?? preview.error} />
      {readable && preview.isPending && <Waiting what="Making the pages…" />}
      {preview.data && (
        <AnnotatedPages
          url={`/api/v1/templates/${detail.id}/preview.pdf?revision=${detail.version}.${detail.revision}`}
          pages={preview.data.pages}
          data={detail.content.fields.map((field) => ({
            name: field.name,
            label: field.label,
            text: `[${field.label}]`,
          }))}
          actors={detail.content.parties.map((party) => ({ party: party.key, label: party.label }))}
        />
      )}
    </>
  );
}
