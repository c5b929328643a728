import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { AddDocument } from './AddDocument';
import { titleOf, WORDING, type TemplateDocument } from './document';
import { DocumentCard } from './DocumentCard';

/** The documents that an agreement has, in their order: one of them is shown. */
export function DocumentsBar({
  bench,
  shown,
  onShow,
}: {
  bench: Bench;
  shown: TemplateDocument;
  onShow: (id: string) => void;
}) {
  const { detail, settings, fixed } = bench;
  const [adding, setAdding] = useState(false);
  const [settling, setSettling] = useState(false);
  const { documents } = settings;
  const alone = documents.length === 1 && documents[0]?.id === WORDING;
  return (
    <section
      aria-label={say('documents.documents')}
      className="flex flex-wrap items-center gap-x-1 gap-y-1 pb-3"
    >
      {!alone && (
        <ol className="flex flex-wrap items-center gap-1">
          {documents.map((one, i) => (
            <li key={one.id}>
              <button
                type="button"
                aria-current={one.id === shown.id ? 'true' : undefined}
                className={`flex min-h-8 max-w-80 items-center gap-2 border-b-2 px-2 ${one.id === shown.id ? 'border-ink font-semibold' : 'border-rule text-soft hover:text-ink'}`}
                onClick={() => onShow(one.id)}
              >
                <span className="tabular-nums">{i + 1}</span>
                <span className="truncate">{titleOf(one, detail.name)}</span>
                {one.when && (
                  <span className="whitespace-nowrap text-clay">{say('documents.by-rule')}</span>
                )}
                {one.kind === 'REQUESTED' && (
                  <span className="whitespace-nowrap text-slate">
                    {say('documents.with-the-agreement')}
                  </span>
                )}
                {one.kind === 'ATTACHED' && (
                  <span className="whitespace-nowrap text-slate">{say('documents.untouched')}</span>
                )}
              </button>
            </li>
          ))}
        </ol>
      )}
      {!alone && (
        <Button aria-expanded={settling} onClick={() => setSettling(!settling)}>
          {say('documents.settle-document')}
        </Button>
      )}
      {!fixed && <Button onClick={() => setAdding(true)}>{say('documents.add-a-document')}</Button>}
      {settling && !alone && (
        <DocumentCard
          key={shown.id}
          bench={bench}
          document={shown}
          onShow={onShow}
          onClose={() => setSettling(false)}
        />
      )}
      <AddDocument
        bench={bench}
        open={adding}
        onClose={() => setAdding(false)}
        onAdded={(id) => {
          setAdding(false);
          onShow(id);
        }}
      />
    </section>
  );
}
