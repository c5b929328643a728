import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, upload, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { acceptedFiles, refusedFor } from '../ui/documentFiles';
import { FileButton } from '../ui/FileButton';
import { Button, inputLook, Trouble } from '../ui/parts';

type Detail = Schemas['AgreementDetail'];

type Coming = {
  file: File;
  title: string;
  forDocument: string;
  plain?: boolean;
  attached?: boolean;
};

/** The documents that come with one agreement: those that it waits for, and any more. */
export function OwnDocuments({
  detail,
  onTook,
}: {
  detail: Detail;
  onTook: (detail: Detail) => void;
}) {
  const { number } = detail.row;
  const [notes, setNotes] = useState<string[]>([]);
  const [title, setTitle] = useState('');
  const [adding, setAdding] = useState(false);
  const bring = useMutation({
    mutationFn: ({ file, title: called, forDocument, plain, attached }: Coming) => {
      const query = new URLSearchParams({
        title: called,
        forDocument,
        plain: String(plain ?? false),
        attached: String(attached ?? false),
      });
      return upload<Schemas['DocumentAdded']>(
        `/api/v1/agreements/${number}/documents?${query.toString()}`,
        file,
      );
    },
    onSuccess: (added) => {
      setNotes(added.notes);
      setTitle('');
      setAdding(false);
      onTook(added.agreement);
    },
  });
  const takeOut = useMutation({
    mutationFn: (document: string) =>
      answer(
        api.DELETE('/api/v1/agreements/{number}/documents/{document}', {
          params: { path: { number, document } },
        }),
      ),
    onSuccess: onTook,
  });
  const refused = refusedFor(bring.error);
  const own = detail.documents.filter((one) => one.own);
  return (
    <section aria-label={say('agreements.own-documents')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('agreements.own-documents')}</h2>
      {detail.awaited.map((one) => (
        <div key={one.id} className="flex flex-wrap items-center gap-2">
          <span className={`mr-auto ${one.required ? 'text-clay' : 'text-soft'}`}>{one.title}</span>
          <FileButton
            what={say('agreements.file-for', { title: one.title })}
            accept={acceptedFiles}
            disabled={bring.isPending}
            onFile={(file) => bring.mutate({ file, title: '', forDocument: one.id })}
          >
            {say('agreements.bring-it')}
          </FileButton>
        </div>
      ))}
      {own.map((one) => (
        <div key={one.id} className="flex flex-wrap items-center gap-2">
          <span className="mr-auto">{one.title}</span>
          <Button disabled={takeOut.isPending} onClick={() => takeOut.mutate(one.id)}>
            {say('agreements.take-it-out')}
          </Button>
        </div>
      ))}
      {adding ? (
        <div className="flex flex-col gap-2">
          <label className="flex flex-col gap-0.5">
            <span className="text-soft">{say('documents.title')}</span>
            <input
              className={inputLook}
              value={title}
              autoFocus
              onChange={(event) => setTitle(event.target.value)}
            />
          </label>
          <div className="flex gap-2">
            <FileButton
              what={say('agreements.file-for', { title })}
              accept={acceptedFiles}
              disabled={bring.isPending || !title.trim()}
              onFile={(file) => bring.mutate({ file, title: title.trim(), forDocument: '' })}
            >
              {bring.isPending ? say('documents.is-being-read') : say('agreements.choose-its-file')}
            </FileButton>
            <Button onClick={() => setAdding(false)}>{say('templates.close')}</Button>
          </div>
        </div>
      ) : (
        <Button className="self-start" onClick={() => setAdding(true)}>
          {say('documents.add-a-document')}
        </Button>
      )}
      <Trouble error={bring.error ?? takeOut.error} />
      {refused === 'pdf.not-archivable' && bring.variables && (
        <Button
          className="self-start"
          onClick={() => bring.variables && bring.mutate({ ...bring.variables, plain: true })}
        >
          {say('documents.go-on-plain')}
        </Button>
      )}
      {refused === 'pdf.signed' && bring.variables && (
        <Button
          className="self-start"
          onClick={() => bring.variables && bring.mutate({ ...bring.variables, attached: true })}
        >
          {say('documents.attach-untouched')}
        </Button>
      )}
      {notes.length > 0 && (
        <ul role="status" className="list-disc pl-5 text-soft">
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
    </section>
  );
}
