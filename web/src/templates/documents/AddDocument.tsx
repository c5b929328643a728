import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, inputLook, Labelled, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { freshId } from './document';
import { acceptedFiles, isWordFile, nameOfFile, refusedFor } from '../../ui/documentFiles';

type Taken = Schemas['DocumentTaken'];

/** Takes one more document in: a file, or the place for one that comes with each agreement. */
export function AddDocument({
  bench,
  open,
  onClose,
  onAdded,
}: {
  bench: Bench;
  open: boolean;
  onClose: () => void;
  onAdded: (id: string) => void;
}) {
  const { detail, settings, change, took } = bench;
  const [comes, setComes] = useState<'file' | 'agreement'>('file');
  const [title, setTitle] = useState('');
  const [required, setRequired] = useState(true);
  const [file, setFile] = useState<File>();
  const [asPages, setAsPages] = useState(false);
  const [notes, setNotes] = useState<Taken>();
  const bring = useMutation({
    mutationFn: (way: 'as-archival' | 'plain' | 'untouched') => {
      if (!file) throw new Error(say('templates.no-file'));
      const query = new URLSearchParams({
        revision: String(detail.revision),
        title: title.trim(),
        plain: String(way === 'plain'),
        as: way === 'untouched' ? 'UNTOUCHED' : asPages ? 'PAGES' : 'USUAL',
      });
      return upload<Taken>(`/api/v1/templates/${detail.id}/documents?${query.toString()}`, file);
    },
    onSuccess: (taken) => {
      took(taken.template);
      if (taken.notes.length) setNotes(taken);
      else leave(taken.document);
    },
  });
  const leave = (added?: string) => {
    setTitle('');
    setFile(undefined);
    setAsPages(false);
    setNotes(undefined);
    bring.reset();
    if (added) onAdded(added);
    else onClose();
  };
  const refused = refusedFor(bring.error);
  return (
    <DialogShell
      open={open}
      title={notes ? say('documents.was-taken-in') : say('documents.add-a-document')}
      onClose={() => leave(notes?.document)}
    >
      {notes ? (
        <div className="flex flex-col gap-3">
          <ul className="list-disc pl-5">
            {notes.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
          <Button look="main" className="self-start" onClick={() => leave(notes.document)}>
            {say('documents.show-it')}
          </Button>
        </div>
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            if (!title.trim()) return;
            if (comes === 'file') {
              if (file) bring.mutate('as-archival');
              return;
            }
            const id = freshId(settings);
            change({
              ...settings,
              documents: [
                ...settings.documents,
                {
                  id,
                  title: title.trim(),
                  kind: 'REQUESTED',
                  when: '',
                  file: null as unknown as string,
                  brought: null as unknown as string,
                  required,
                  places: [],
                  data: [],
                },
              ],
            });
            leave(id);
          }}
        >
          <fieldset className="flex flex-col gap-1">
            <legend className="font-medium">{say('documents.it-comes')}</legend>
            {(
              [
                ['file', say('documents.from-a-file')],
                ['agreement', say('documents.with-each-agreement')],
              ] as const
            ).map(([value, words]) => (
              <label key={value} className="flex min-h-8 items-center gap-2">
                <input
                  type="radio"
                  name="comes"
                  className="size-4"
                  checked={comes === value}
                  onChange={() => setComes(value)}
                />
                {words}
              </label>
            ))}
          </fieldset>
          {comes === 'file' && (
            <Labelled
              id="document-file"
              label={say('documents.file')}
              hint={say('documents.file-hint')}
            >
              <input
                id="document-file"
                type="file"
                accept={acceptedFiles}
                className={inputLook}
                onChange={(event) => {
                  const chosen = event.target.files?.[0];
                  setFile(chosen);
                  bring.reset();
                  if (chosen && !title.trim()) setTitle(nameOfFile(chosen.name));
                }}
              />
            </Labelled>
          )}
          {comes === 'file' && file && isWordFile(file.name) && (
            <label className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={asPages}
                onChange={(event) => setAsPages(event.target.checked)}
              />
              {say('documents.as-pages')}
            </label>
          )}
          <Labelled id="document-title" label={say('documents.title')}>
            <input
              id="document-title"
              className={inputLook}
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </Labelled>
          {comes === 'agreement' && (
            <label className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={required}
                onChange={(event) => setRequired(event.target.checked)}
              />
              {say('documents.agreement-waits-for-it')}
            </label>
          )}
          <Trouble error={bring.error} />
          <div className="flex flex-wrap gap-2">
            <Button
              type="submit"
              look="main"
              disabled={!title.trim() || (comes === 'file' && !file) || bring.isPending}
            >
              {bring.isPending ? say('documents.is-being-read') : say('documents.add-it')}
            </Button>
            {refused === 'pdf.not-archivable' && (
              <Button disabled={bring.isPending} onClick={() => bring.mutate('plain')}>
                {say('documents.go-on-plain')}
              </Button>
            )}
            {refused === 'pdf.signed' && (
              <Button disabled={bring.isPending} onClick={() => bring.mutate('untouched')}>
                {say('documents.attach-untouched')}
              </Button>
            )}
          </div>
        </form>
      )}
    </DialogShell>
  );
}
