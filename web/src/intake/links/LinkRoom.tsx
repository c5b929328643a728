import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, Labelled, RoomTitle, Trouble } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { CopyAddress } from './CopyAddress';
import { LinkForm } from './LinkForm';
import { stateWords, taken } from './linkWords';
import { Prefill } from './Prefill';
import { useAllTemplates } from '../../templates/useAllTemplates';

type Row = Schemas['FormLinkRow'];

/** One link to a form: made, changed, closed. */
export default function LinkRoom() {
  const { id } = useParams();
  return id === 'new' || !id ? <NewLink /> : <KnownLink key={id} id={id} />;
}

const formOf = (template: string) =>
  answer(
    api.GET('/api/v1/templates/{id}/form', {
      params: { path: { id: template }, query: { language: '' } },
    }),
  );

function NewLink() {
  const [address] = useSearchParams();
  const navigate = useNavigate();
  const [template, setTemplate] = useState(address.get('template') ?? '');
  const templates = useAllTemplates();
  const form = useQuery({
    queryKey: ['form', template],
    queryFn: () => formOf(template),
    enabled: template !== '',
  });
  const usable =
    templates.data?.filter((one) => one.publishedVersion > 0 && one.may.includes('USE')) ?? [];
  return (
    <>
      <RoomTitle title={say('links.share')}>
        <Link to="/intake/links">{say('links.links')}</Link>
      </RoomTitle>
      <div className="flex max-w-2xl flex-col gap-4">
        <Labelled id="template" label={say('intake.template')}>
          <select
            id="template"
            className={inputLook}
            value={template}
            onChange={(event) => setTemplate(event.target.value)}
          >
            <option value="">{say('links.choose-template')}</option>
            {usable.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        </Labelled>
        <Trouble error={templates.error ?? form.error} />
        {form.data && (
          <LinkForm
            key={template}
            form={form.data}
            act={say('links.make')}
            save={(settings) => answer(api.POST('/api/v1/form-links', { body: settings }))}
            onSaved={(link) => void navigate(`/intake/links/${link.id}`, { replace: true })}
          />
        )}
      </div>
    </>
  );
}

function KnownLink({ id }: { id: string }) {
  const queries = useQueryClient();
  const link = useQuery({
    queryKey: ['form-link', id],
    queryFn: () => answer(api.GET('/api/v1/form-links/{id}', { params: { path: { id } } })),
  });
  const template = link.data?.template ?? '';
  const form = useQuery({
    queryKey: ['form', template],
    queryFn: () => formOf(template),
    enabled: template !== '',
  });
  const took = (next: Row) => {
    queries.setQueryData(['form-link', id], next);
    void queries.invalidateQueries({ queryKey: ['form-links'] });
  };
  const close = useMutation({
    mutationFn: (over: boolean) => {
      const path = { params: { path: { id } } };
      return answer(
        over
          ? api.POST('/api/v1/form-links/{id}/closing', path)
          : api.DELETE('/api/v1/form-links/{id}/closing', path),
      );
    },
    onSuccess: took,
  });
  if (!link.data) return <Unshown query={link} waiting={say('links.looking')} />;
  const { data } = link;
  return (
    <>
      <RoomTitle title={data.title}>
        <span className={data.state === 'OPEN' ? 'text-moss' : 'text-clay'}>
          {say(stateWords[data.state])}
        </span>
        <span className="text-soft">{say('links.taken-so-far', { taken: taken(data) })}</span>
        <Link to="/intake/links">{say('links.links')}</Link>
        <Button disabled={close.isPending} onClick={() => close.mutate(data.state !== 'CLOSED')}>
          {data.state === 'CLOSED' ? say('links.open-again') : say('links.close')}
        </Button>
      </RoomTitle>
      <Trouble error={close.error ?? form.error} />
      <p className="flex flex-wrap items-center gap-3 pb-4">
        <a href={data.address} target="_blank" rel="noreferrer" className="wrap-anywhere">
          {data.address}
        </a>
        <CopyAddress address={data.address} title={data.title} />
      </p>
      {form.data && (
        <div className="grid items-start gap-8 lg:grid-cols-2">
          <LinkForm
            form={form.data}
            link={data}
            act={say('links.save')}
            save={(body) =>
              answer(api.PUT('/api/v1/form-links/{id}', { params: { path: { id } }, body }))
            }
            onSaved={took}
          />
          <Prefill link={data} form={form.data} />
        </div>
      )}
    </>
  );
}
