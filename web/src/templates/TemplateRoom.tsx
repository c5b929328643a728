import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { answer, api, isSignedOut } from '../api/client';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { FieldsEditor } from './FieldsEditor';
import { HistoryPart } from './HistoryPart';
import { PartiesEditor } from './PartiesEditor';
import { PublishObstacles } from './PublishObstacles';
import { RulesEditor } from './RulesEditor';
import { SpecimensPart } from './SpecimensPart';
import { SendingEditor } from './SendingEditor';
import { useTemplate } from './useTemplate';
import { WordingPart } from './WordingPart';

const parts = [
  say('templates.wording'),
  say('templates.fields'),
  say('templates.rules'),
  say('templates.parties'),
  say('templates.sending'),
  say('templates.specimens'),
  say('templates.versions'),
] as const;
type PartName = (typeof parts)[number];

/** One template: its wording with margins, its data and rules, who acts, the terms of sending, and the proof of it all. */
export default function TemplateRoom() {
  const { id = '' } = useParams();
  const [address, setAddress] = useSearchParams();
  const navigate = useNavigate();
  const { template, detail, draft, change, took, save, unsaved, reload } = useTemplate(id);
  const path = { params: { path: { id } } };
  const publish = useMutation({
    mutationFn: (revision: number) =>
      answer(api.POST('/api/v1/templates/{id}/publication', { ...path, body: { revision } })),
    onSuccess: took,
  });
  const startDraft = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/{id}/draft', path)),
    onSuccess: took,
  });
  const duplicate = useMutation({
    mutationFn: (name: string) =>
      answer(api.POST('/api/v1/templates/{id}/duplicate', { ...path, body: { name } })),
    onSuccess: (made) => void navigate(`/templates/${made.id}`),
  });
  const retire = useMutation({
    mutationFn: (retired: boolean) =>
      answer(
        retired
          ? api.DELETE('/api/v1/templates/{id}/retirement', path)
          : api.POST('/api/v1/templates/{id}/retirement', path),
      ),
    onSuccess: took,
  });
  if (!detail || !draft)
    return <Unshown query={template} waiting={say('templates.opening-the-template')} />;
  const fixed = detail.state === 'PUBLISHED';
  const asked = address.get('part');
  const part: PartName = parts.find((name) => name === asked) ?? say('templates.wording');
  return (
    <>
      <RoomTitle title={detail.name}>
        <span className={fixed ? 'text-moss' : 'text-clay'}>
          {say('templates.version-state', {
            version: detail.version,
            state: fixed ? 'published' : 'draft',
            use: detail.retired ? 'retired' : 'in',
          })}
        </span>
        {!fixed && (
          <span role="status" className="text-soft">
            {save.isPending
              ? say('templates.saving')
              : unsaved
                ? say('templates.not-saved-yet')
                : say('templates.everything-is-saved')}
          </span>
        )}
        <Button onClick={() => duplicate.mutate(`${detail.name}, copy`)}>
          {say('templates.duplicate')}
        </Button>
        <Button onClick={() => retire.mutate(detail.retired)}>
          {detail.retired ? say('templates.bring-back-into-use') : say('templates.retire')}
        </Button>
        {fixed ? (
          <>
            <Button onClick={() => startDraft.mutate()}>
              {say('templates.start-version', { version: detail.version + 1 })}
            </Button>
            {!detail.retired && (
              <Link to={`/intake/new/${id}`}>{say('templates.fill-its-form')}</Link>
            )}
          </>
        ) : (
          <Button
            look="main"
            disabled={
              unsaved ||
              detail.obstacles.length > 0 ||
              detail.diagnostics.some((one) => one.blocks) ||
              publish.isPending
            }
            onClick={() => publish.mutate(detail.revision)}
          >
            {say('templates.publish-version', { version: detail.version })}
          </Button>
        )}
      </RoomTitle>
      <Trouble
        error={save.error ?? publish.error ?? startDraft.error ?? duplicate.error ?? retire.error}
      />
      {save.isError && !isSignedOut(save.error) && (
        <Button onClick={reload}>{say('templates.reload-the-template-as-it')}</Button>
      )}
      <div
        className="flex gap-1 border-b border-rule"
        role="tablist"
        aria-label={say('templates.parts-of-the-template')}
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
            onClick={() => setAddress({ part: name }, { replace: true })}
          >
            {name}
          </button>
        ))}
      </div>
      <div id="part" role="tabpanel" aria-labelledby={`tab-${part}`} className="pt-4">
        {!fixed && part !== 'Versions' && part !== 'Specimens' && (
          <PublishObstacles detail={detail} onTaken={took} />
        )}
        {part === 'Wording' && <WordingPart detail={detail} onTaken={took} />}
        {part === 'Fields' && (
          <FieldsEditor
            fields={draft.fields}
            unused={detail.advice
              .filter((one) => one.code === 'field-unused')
              .map((one) => one.place)}
            fixed={fixed}
            onChange={(fields) => change({ ...draft, fields })}
          />
        )}
        {part === 'Rules' && (
          <RulesEditor settings={draft} detail={detail} fixed={fixed} onChange={change} />
        )}
        {part === 'Parties' && (
          <PartiesEditor
            settings={draft}
            fixed={fixed}
            onChange={(parties) => change({ ...draft, parties })}
            onFields={(signingFields) => change({ ...draft, signingFields })}
          />
        )}
        {part === 'Sending' && <SendingEditor settings={draft} fixed={fixed} onChange={change} />}
        {part === 'Specimens' && (
          <SpecimensPart
            settings={draft}
            detail={detail}
            fixed={fixed}
            unsaved={unsaved}
            onChange={change}
            onTaken={took}
          />
        )}
        {part === 'Versions' && <HistoryPart detail={detail} onTaken={took} />}
      </div>
    </>
  );
}
