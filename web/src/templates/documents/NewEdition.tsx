import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { FileButton } from '../../ui/FileButton';
import { Button, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { useDraftAct } from '../useDraftAct';
import type { TemplateDocument } from './document';
import { acceptedFiles, refusedFor } from '../../ui/documentFiles';

type Comparison = Schemas['EditionComparison'];

/** Puts a newer file in the place of a document's: what moves, what is new and what loses its place is shown before. */
export function NewEdition({ bench, document }: { bench: Bench; document: TemplateDocument }) {
  const { detail, took } = bench;
  const [comparison, setComparison] = useState<Comparison>();
  const base = `/api/v1/templates/${detail.id}/documents/${document.id}/edition`;
  const compare = useMutation({
    mutationFn: ({ file, plain }: { file: File; plain: boolean }) =>
      upload<Comparison>(`${base}/comparison?plain=${plain}`, file),
    onSuccess: setComparison,
  });
  const accept = useDraftAct(
    detail.id,
    (revision, { brought }: Comparison) =>
      answer(
        api.POST('/api/v1/templates/{id}/documents/{document}/edition/acceptance', {
          params: { path: { id: detail.id, document: document.id } },
          body: { revision, brought, plain: compare.variables?.plain ?? false },
        }),
      ),
    (taken) => {
      setComparison(undefined);
      took(taken.template);
    },
  );
  return (
    <>
      <FileButton
        what={say('documents.newer-file')}
        accept={acceptedFiles}
        disabled={compare.isPending}
        onFile={(file) => compare.mutate({ file, plain: false })}
      >
        {compare.isPending ? say('documents.is-being-read') : say('documents.newer-edition')}
      </FileButton>
      <Trouble error={compare.error} />
      {refusedFor(compare.error) === 'pdf.not-archivable' && (
        <Button
          onClick={() => compare.variables && compare.mutate({ ...compare.variables, plain: true })}
        >
          {say('documents.go-on-plain')}
        </Button>
      )}
      <DialogShell
        open={comparison !== undefined}
        title={say('documents.what-the-edition-brings')}
        width="wide"
        onClose={() => setComparison(undefined)}
      >
        {comparison && (
          <div className="flex flex-col gap-3">
            <p>
              {say('documents.edition-pages', {
                pages: comparison.pages,
                before: comparison.before,
              })}{' '}
              {say('documents.edition-stays', { count: comparison.stays })}
            </p>
            <Sentences title={say('documents.edition-moves')} all={comparison.moved} />
            <Sentences title={say('documents.edition-loses')} all={comparison.lost} grave />
            <Sentences title={say('documents.edition-form-brings')} all={comparison.brings} />
            <Sentences title={say('documents.edition-form-gone')} all={comparison.gone} />
            <Sentences title={say('documents.edition-notes')} all={comparison.notes} />
            <Trouble error={accept.error} />
            <div className="flex gap-2">
              <Button
                look="main"
                disabled={accept.isPending}
                onClick={() => accept.mutate(comparison)}
              >
                {say('documents.accept-edition')}
              </Button>
              <Button onClick={() => setComparison(undefined)}>
                {say('documents.keep-the-present')}
              </Button>
            </div>
          </div>
        )}
      </DialogShell>
    </>
  );
}

function Sentences({
  title,
  all,
  grave = false,
}: {
  title: string;
  all: string[];
  grave?: boolean;
}) {
  if (!all.length) return null;
  return (
    <div>
      <h3 className={`font-medium ${grave ? 'text-oxide' : ''}`}>{title}</h3>
      <ul className="list-disc pl-5">
        {all.map((one, i) => (
          <li key={i}>{one}</li>
        ))}
      </ul>
    </div>
  );
}
