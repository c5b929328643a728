import { useMutation } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { answer, api, isSignedOut } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { Button, Empty, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import type { Bench } from './bench/bench';
import { PageFace } from './bench/PageFace';
import { Readiness, type Spot } from './bench/Readiness';
import { BringBack } from './BringBack';
import { documentOf, shownDocument } from './documents/document';
import { DocumentsBar } from './documents/DocumentsBar';
import { FixedFace } from './documents/FixedFace';
import { FormFace } from './form/FormFace';
import { HistoryPart } from './HistoryPart';
import { Ledger } from './ledger/Ledger';
import { ProofFace } from './proof/ProofFace';
import { SendingFace } from './sending/SendingFace';
import { TemplateTitle } from './TemplateTitle';
import { useSteps } from './useSteps';
import { useTemplate } from './useTemplate';

const faces = ['page', 'ledger', 'form', 'sending', 'proof', 'versions'] as const;
type Face = (typeof faces)[number];

const faceWords: Record<Face, RoomCode> = {
  page: 'templates.page',
  form: 'templates.form',
  ledger: 'templates.ledger',
  sending: 'templates.sending',
  proof: 'templates.proof',
  versions: 'templates.versions',
};

/** The workbench of one template: its page with margins, its ledger, the terms of sending, the proof, and its versions. */
export default function TemplateRoom() {
  const { id = '' } = useParams();
  const [address, setAddress] = useSearchParams();
  const { template, detail, draft, change, took, save, unsaved, reload } = useTemplate(id);
  const steps = useSteps(detail, unsaved, took);
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
  const ready =
    detail?.state === 'DRAFT' &&
    !unsaved &&
    !detail.obstacles.length &&
    !detail.diagnostics.some((one) => one.blocks) &&
    !publish.isPending;
  const onPublish = ready ? () => publish.mutate(detail.revision) : undefined;
  if (!detail || !draft)
    return <Unshown query={template} waiting={say('templates.opening-the-template')} />;
  const fixed = detail.state === 'PUBLISHED';
  const face = faces.find((name) => name === address.get('face')) ?? 'page';
  const shown = address.get('shows') ?? 'names';
  const open = address.get('open') ?? undefined;
  const party = address.get('party') ?? undefined;
  const document = shownDocument(draft, address.get('doc'));
  const bench: Bench = {
    detail,
    settings: draft,
    fixed,
    document: document.id,
    unsaved,
    change,
    took,
  };
  const names = shown === 'names' || !draft.specimens[Number(shown)];
  // names stand on fixed pages where they are moved; a specimen's values are printed there
  const byHand = document.kind === 'ATTACHED' || (document.kind === 'FIXED' && names);
  const go = (next: Record<string, string | undefined>) =>
    setAddress(
      (now) => {
        for (const [name, value] of Object.entries(next)) {
          if (value === undefined) now.delete(name);
          else now.set(name, value);
        }
        return now;
      },
      { replace: true },
    );
  const goTo = (spot: Spot) => {
    if ('ask' in spot)
      go({ face: 'form', ask: spot.ask || undefined, open: undefined, party: undefined });
    else if ('face' in spot) go({ face: spot.face, open: undefined, party: undefined });
    else if ('party' in spot) go({ face: undefined, open: undefined, party: spot.party });
    else if ('document' in spot)
      go({ face: undefined, doc: spot.document, open: undefined, party: undefined });
    else
      go({
        face: undefined,
        doc: documentOf(draft, detail.wordings, spot.open, document.id),
        open: spot.open,
        party: undefined,
      });
  };
  return (
    <>
      <TemplateTitle
        bench={bench}
        saving={save.isPending}
        steps={steps}
        publish={publish}
        onPublish={onPublish}
      />
      <Trouble error={save.error ?? steps.error} />
      {save.isError && !isSignedOut(save.error) && (
        <Button onClick={reload}>{say('templates.reload-the-template-as-it')}</Button>
      )}
      <div
        className="flex gap-1 border-b border-rule"
        role="tablist"
        aria-label={say('templates.parts-of-the-template')}
        onKeyDown={(event) => {
          const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
          if (!step) return;
          const next = faces[(faces.indexOf(face) + step + faces.length) % faces.length] ?? 'page';
          go({ face: next });
          window.document.getElementById(`tab-${next}`)?.focus();
        }}
      >
        {faces.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            id={`tab-${name}`}
            aria-selected={face === name}
            aria-controls="face"
            tabIndex={face === name ? 0 : -1}
            className={`min-h-9 border-b-2 px-4 ${face === name ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
            onClick={() => go({ face: name === 'page' ? undefined : name })}
          >
            {say(faceWords[name])}
          </button>
        ))}
      </div>
      <div id="face" role="tabpanel" aria-labelledby={`tab-${face}`} className="pt-3">
        <div className="flex flex-wrap items-start gap-x-4 gap-y-2 pb-3">
          {face === 'page' && (
            <Shown bench={bench} shown={shown} onShown={(next) => go({ shows: next })} />
          )}
          {!fixed && face !== 'versions' && (
            <div className="min-w-0 grow">
              <Readiness bench={bench} onGo={goTo} />
            </div>
          )}
          {face === 'page' && document.kind === 'WORDING' && (
            <span className="ml-auto flex min-h-8 items-center gap-4">
              <a href={`/api/v1/templates/${id}/wording?document=${document.id}`} download>
                {say('templates.download-the-word-file')}
              </a>
              {!fixed && (
                <BringBack
                  key={document.id}
                  detail={detail}
                  document={document.id}
                  onTaken={took}
                />
              )}
            </span>
          )}
        </div>
        {face === 'page' && (
          <DocumentsBar
            bench={bench}
            shown={document}
            onShow={(next) => go({ doc: next, open: undefined, party: undefined })}
          />
        )}
        {face === 'page' && document.kind === 'REQUESTED' && (
          <Empty>{say('templates.comes-with-each-agreement')}</Empty>
        )}
        {face === 'page' && byHand && (
          <FixedFace
            key={document.id}
            bench={bench}
            document={document}
            opened={{ key: open, party }}
            onOpened={({ key, party: of }) => go({ open: key, party: of })}
          />
        )}
        {face === 'page' && !byHand && document.kind !== 'REQUESTED' && (
          <PageFace
            key={document.id}
            wording={document.kind === 'WORDING'}
            bench={bench}
            shown={draft.specimens[Number(shown)] ? shown : 'names'}
            opened={{ key: open, party }}
            onOpened={({ key, party: of }) => go({ open: key, party: of })}
          />
        )}
        {face === 'form' && <FormFace bench={bench} />}
        {face === 'ledger' && <Ledger bench={bench} />}
        {face === 'sending' && <SendingFace bench={bench} />}
        {face === 'proof' && <ProofFace bench={bench} />}
        {face === 'versions' && <HistoryPart detail={detail} onTaken={took} />}
      </div>
    </>
  );
}

/** What the page shows: the names of what stands there, or what it is for a specimen. */
function Shown({
  bench: { settings },
  shown,
  onShown,
}: {
  bench: Bench;
  shown: string;
  onShown: (shown: string | undefined) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      {say('templates.the-page-shows')}
      <select
        className="min-h-8 max-w-60 rounded-sm border border-edge bg-sheet px-2"
        value={settings.specimens[Number(shown)] ? shown : 'names'}
        onChange={(event) =>
          onShown(event.target.value === 'names' ? undefined : event.target.value)
        }
      >
        <option value="names">{say('templates.names-of-fields')}</option>
        {settings.specimens.map((one, i) => (
          <option key={i} value={String(i)}>
            {say('templates.page-specimen', { name: one.name })}
          </option>
        ))}
      </select>
    </label>
  );
}
