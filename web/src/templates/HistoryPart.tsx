import { say } from '../messages/rooms';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { Button, inputLook, Table, Trouble, Waiting } from '../ui/parts';
import { date } from '../ui/time';
import { RedlineView } from './RedlineView';

type Detail = Schemas['TemplateDetail'];

/** All versions of a template; a draft can return to any of them. */
export function HistoryPart({
  detail,
  onTaken,
}: {
  detail: Detail;
  onTaken: (detail: Detail) => void;
}) {
  const path = { params: { path: { id: detail.id } } };
  const versions = useQuery({
    queryKey: ['versions', detail.id, detail.version, detail.state],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/versions', path)),
  });
  const goBack = useMutation({
    mutationFn: (number: number) =>
      answer(
        api.POST('/api/v1/templates/{id}/return', {
          ...path,
          body: { number, revision: detail.revision },
        }),
      ),
    onSuccess: onTaken,
  });
  const [name, setName] = useState(detail.name);
  const rename = useMutation({
    mutationFn: () => answer(api.PUT('/api/v1/templates/{id}/name', { ...path, body: { name } })),
    onSuccess: onTaken,
  });
  const draft = detail.state === 'DRAFT';
  const [against, setAgainst] = useState(0);
  const difference = useQuery({
    queryKey: ['difference', detail.id, against, detail.version, detail.revision],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/difference', {
          params: { path: { id: detail.id }, query: { from: against, to: detail.version } },
        }),
      ),
    enabled: against > 0,
  });
  return (
    <>
      <form
        aria-label={say('templates.name-of-the-template')}
        className="mb-4 flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          rename.mutate();
        }}
      >
        <label className="flex w-96 flex-col gap-1">
          <span className="text-soft">{say('templates.name-of-the-template-over')}</span>
          <input
            className={inputLook}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button type="submit" disabled={name === detail.name || rename.isPending}>
          {say('templates.rename')}
        </Button>
      </form>
      <Trouble error={versions.error ?? goBack.error ?? rename.error} />
      {versions.isPending && <Waiting what={say('templates.looking-up-the-versions')} />}
      {versions.data && (
        <Table
          head={[
            say('templates.version'),
            say('templates.state'),
            say('templates.published'),
            say('templates.by'),
            say('templates.fields'),
            say('templates.rules'),
            say('templates.wording'),
            '',
            '',
          ]}
        >
          {versions.data.map((one) => (
            <tr key={one.number}>
              <td>{one.number}</td>
              <td className={one.state === 'DRAFT' ? 'text-clay' : 'text-moss'}>
                {one.state === 'DRAFT' ? say('templates.draft') : say('templates.state-published')}
              </td>
              <td>{one.publishedAt ? date(one.publishedAt) : ''}</td>
              <td>{one.publishedBy}</td>
              <td>{one.fields}</td>
              <td>{one.rules}</td>
              <td>
                <a href={`/api/v1/templates/${detail.id}/wording?version=${one.number}`} download>
                  {say('templates.word-file')}
                </a>
              </td>
              <td>
                {one.number !== detail.version && (
                  <Button onClick={() => setAgainst(one.number)}>
                    {say('templates.compare-with-version', { version: detail.version })}
                  </Button>
                )}
              </td>
              <td>
                {draft && one.number !== detail.version && (
                  <Button disabled={goBack.isPending} onClick={() => goBack.mutate(one.number)}>
                    {say('templates.return-to-version', { number: one.number })}
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </Table>
      )}
      <Trouble error={difference.error} />
      {difference.data && (
        <RedlineView from={against} detail={detail} difference={difference.data} />
      )}
      <p className="pt-3 text-soft">{say('templates.agreements-keep-the-version-that')}</p>
    </>
  );
}
