import { say } from '../messages/rooms';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { AnnotatedPages, type Datum } from '../page/AnnotatedPages';
import { valueKey } from '../page/printed';
import type { Words } from '../page/words';
import { Button, Trouble, Waiting } from '../ui/parts';
import { ActsOnWords } from './ActsOnWords';
import { BringBack } from './BringBack';
import { sayingOf } from './saying';

type Detail = Schemas['TemplateDetail'];

/** The true pages with their margins, and what can be done to the words on them. */
export function WordingPart({
  detail,
  onTaken,
}: {
  detail: Detail;
  onTaken: (detail: Detail) => void;
}) {
  const [words, setWords] = useState<Words>();
  const [shown, setShown] = useState('names');
  const draft = detail.state === 'DRAFT';
  const readable = !detail.diagnostics.some((one) => one.blocks);
  const specimen = shown === 'names' ? -1 : Number(shown);
  const preview = useQuery({
    queryKey: ['preview', detail.id, detail.version, detail.revision, shown],
    queryFn: () =>
      specimen < 0
        ? answer(api.GET('/api/v1/templates/{id}/preview', { params: { path: { id: detail.id } } }))
        : answer(
            api.GET('/api/v1/templates/{id}/specimens/{position}/pages', {
              params: { path: { id: detail.id, position: specimen } },
            }),
          ),
    enabled: readable,
  });
  const undo = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/undo', {
          params: { path: { id: detail.id } },
          body: { revision: detail.revision },
        }),
      ),
    onSuccess: onTaken,
  });
  const pages = `/api/v1/templates/${detail.id}`;
  const stamp = `${detail.version}.${detail.revision}`;
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 pb-4">
        <label className="flex items-center gap-2">
          {say('templates.the-page-shows')}
          <select
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value={shown}
            onChange={(event) => setShown(event.target.value)}
          >
            <option value="names">{say('templates.names-of-fields')}</option>
            {detail.content.specimens.map((one, i) => (
              <option key={i} value={String(i)}>
                {say('templates.page-specimen', { name: one.name })}
              </option>
            ))}
          </select>
        </label>
        {detail.undo && draft && (
          <Button disabled={undo.isPending} onClick={() => undo.mutate()}>
            {say('templates.take-back', { undo: detail.undo })}
          </Button>
        )}
        <span className="ml-auto" />
        <a href={`${pages}/wording`} download>
          {say('templates.download-the-word-file')}
        </a>
        {draft && <BringBack detail={detail} onTaken={onTaken} />}
      </div>
      <Trouble error={undo.error ?? preview.error} />
      {draft && readable && shown === 'names' && (
        <ActsOnWords
          detail={detail}
          words={words}
          onTaken={(next) => {
            setWords(undefined);
            onTaken(next);
          }}
        />
      )}
      {readable && preview.isPending && <Waiting what={say('templates.making-the-pages')} />}
      {preview.data && (
        <AnnotatedPages
          url={
            specimen < 0
              ? `${pages}/preview.pdf?revision=${stamp}`
              : `${pages}/specimens/${specimen}/pages.pdf?revision=${stamp}`
          }
          pages={preview.data.pages}
          printed={preview.data.printed}
          data={data(detail)}
          actors={detail.content.parties.map((party) => ({ party: party.key, label: party.label }))}
          {...(draft && shown === 'names' ? { onWords: setWords } : {})}
        />
      )}
    </>
  );
}

/** What the left margin names: fields, what rules work out, and passages that depend on something. */
function data(detail: Detail): Datum[] {
  const { content } = detail;
  return [
    ...content.fields.flatMap((field) => [
      { key: field.name, label: field.label },
      ...field.items.map(({ name, label }) => ({ key: valueKey(name, field.name), label })),
    ]),
    ...content.rules.map((rule) => ({
      key: valueKey(rule.name, rule.within),
      label: say('templates.label-of-rule', { label: rule.label }),
    })),
    ...detail.includes.map((one, i) => ({
      key: `clause-${i}`,
      label: say('templates.clause', { clause: one.clause }),
      spans: true,
    })),
    ...detail.passages.map((passage) => {
      const name = sayingOf(content, passage.name);
      return {
        key: `passage-${passage.number}`,
        label: passage.inverted
          ? say('templates.unless-passage', { name })
          : say('templates.for-passage', { name }),
        spans: true,
      };
    }),
  ];
}
