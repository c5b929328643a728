import { useState } from 'react';
import { say, type RoomCode } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import { Button, Empty, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { titleOf } from '../documents/document';
import { useKeeping } from '../useKeeping';
import { underWay, useDrawing, useProof, type Work } from '../useProof';
import { LargePage } from './LargePage';
import { Matrix } from './Matrix';
import { Sheet, type PageAt } from './Sheet';
import { SpecimenForm } from './SpecimenForm';

type Specimen = Schemas['Specimen'];

const origins: Record<Specimen['origin'], string> = {
  TYPED: say('templates.typed'),
  FROM_REQUEST: say('templates.from-a-request-person-replaced'),
  DRAWN_UP: say('templates.drawn-up-for-the-rules'),
  SHORTEST: say('templates.shortest-plausible'),
  LONGEST: say('templates.longest-plausible'),
};

/** Specimens as a sheet of small pages beside one large one, what stands badly on them, and which passages each prints. */
export function ProofFace({ bench }: { bench: Bench }) {
  const { settings, detail, fixed, unsaved, change, took } = bench;
  const [open, setOpen] = useState(-1);
  const [at, setAt] = useState<PageAt>({ specimen: 0, page: 1 });
  const { work, proof, drawing, error, ask } = useProof(detail.id);
  const drawUp = useDrawing(detail, drawing, took);
  const keep = useKeeping({ detail, took });
  const printing = ask.isPending || underWay(work);
  const { specimens } = settings;
  const set = (next: Specimen[]) => change({ ...settings, specimens: next });
  const current = work?.current && proof ? proof : undefined;
  const shown = current?.specimens[at.specimen]?.pictures.length ? at : undefined;
  const large = shown && current?.specimens[shown.specimen];
  const failed = [drawUp.failed, work?.state === 'FAILED' ? work.reason : ''].filter(Boolean);
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
                const name = say('templates.specimen', { what: specimens.length + 1 });
                set([...specimens, { name, origin: 'TYPED', data: {} }]);
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
        {current?.file && (
          <a href={`/api/v1/templates/${detail.id}/proof/${current.file}/pages.pdf`}>
            {say('templates.open-the-proof-as-pdf')}
          </a>
        )}
      </div>
      <Trouble error={drawUp.error ?? keep.error ?? error} />
      {failed.map((reason) => (
        <p
          key={reason}
          role="alert"
          className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide"
        >
          {reason}
        </p>
      ))}
      {work?.state === 'DONE' && !work.current && (
        <p className="pb-2 text-clay">{say('templates.the-template-has-changed-since')}</p>
      )}
      {!specimens.length && <Empty>{say('templates.a-specimen-is-a-set')}</Empty>}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(20rem,2fr)_minmax(0,3fr)]">
        <ul className="flex flex-col" data-sheets="">
          {specimens.map((specimen, i) => (
            <li key={i} className="border-b border-rule py-1">
              <SpecimenRow
                bench={bench}
                position={i}
                open={open === i}
                onOpen={() => setOpen(open === i ? -1 : i)}
                onSet={set}
              />
              {current?.specimens[i]?.fault && (
                <p className="text-oxide">{current.specimens[i].fault}</p>
              )}
              {current?.specimens[i] && (
                <Sheet
                  id={detail.id}
                  file={current.file}
                  specimen={i}
                  of={current.specimens[i]}
                  at={at}
                  onShow={setAt}
                />
              )}
              {open === i && (
                <SpecimenForm
                  specimen={specimen}
                  fields={settings.fields}
                  language={settings.language}
                  fixed={fixed}
                  onKeep={(next) => {
                    set(specimens.map((one, position) => (position === i ? next : one)));
                    setOpen(-1);
                  }}
                />
              )}
            </li>
          ))}
        </ul>
        {current && large && shown && (
          <LargePage
            id={detail.id}
            file={current.file}
            of={large}
            at={shown}
            mend={(risk) =>
              risk.kind === 'SIGNATURE_ALONE' &&
              !fixed && (
                <Button
                  className="mt-1"
                  disabled={unsaved || keep.isPending}
                  onClick={() => keep.mutate('')}
                >
                  {say('templates.keep-signatures-with-words')}
                </Button>
              )
            }
          />
        )}
      </div>
      {current && (
        <section aria-label={say('templates.passages')} className="pt-6">
          <h2 className="pb-2 text-xl">{say('templates.passages')}</h2>
          <Matrix
            proof={current}
            detail={detail}
            onShow={(specimen) => setAt({ specimen, page: 1 })}
          />
          {current.unreached.map((label) => (
            <p key={label} className="pt-2 text-clay">
              {say('templates.no-data-was-found-that', { label })}
            </p>
          ))}
        </section>
      )}
    </>
  );
}

function SpecimenRow({
  bench: { settings, detail, fixed, unsaved },
  position,
  open,
  onOpen,
  onSet,
}: {
  bench: Bench;
  position: number;
  open: boolean;
  onOpen: () => void;
  onSet: (specimens: Specimen[]) => void;
}) {
  const { specimens } = settings;
  const specimen = specimens[position];
  if (!specimen) return null;
  const pages = `/api/v1/templates/${detail.id}/specimens/${position}`;
  const printed = settings.documents.filter(({ kind }) => kind === 'WORDING' || kind === 'FIXED');
  return (
    <div className="flex min-h-9 flex-wrap items-center gap-x-3">
      <button
        type="button"
        aria-expanded={open}
        className="min-h-8 text-left font-medium underline decoration-rule underline-offset-4"
        onClick={onOpen}
      >
        {specimen.name}
      </button>
      <span className="grow text-soft">{origins[specimen.origin]}</span>
      {!unsaved && position < detail.content.specimens.length && (
        <ul
          className={`flex flex-wrap gap-x-4 ${printed.length > 1 ? 'order-last w-full pb-1' : ''}`}
        >
          {printed.map((document) => (
            <li key={document.id} className="flex gap-x-2">
              {printed.length > 1 && (
                <span className="max-w-52 truncate text-soft">
                  {titleOf(document, detail.name)}
                </span>
              )}
              <a href={`${pages}/pages.pdf?document=${document.id}`}>{say('templates.pdf')}</a>
              {document.kind === 'WORDING' && (
                <a href={`${pages}/specimen.docx?document=${document.id}`}>
                  {say('templates.word')}
                </a>
              )}
            </li>
          ))}
        </ul>
      )}
      {!fixed && (
        <Button
          className="min-h-7 px-2"
          onClick={() => onSet(specimens.filter((_, at) => at !== position))}
        >
          {say('templates.remove-called')}
          <span className="sr-only">{specimen.name}</span>
        </Button>
      )}
    </div>
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
