import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { SealWord } from './SealWord';

/** An agreement's documents as files. */
export function Files({
  number,
  documents,
  attached,
}: {
  number: string;
  documents: Schemas['DocumentView'][];
  attached: Schemas['AttachedView'][];
}) {
  return (
    <section aria-label={say('agreements.files')}>
      <h2 className="pb-1 text-lg">{say('agreements.files')}</h2>
      {documents.map((document) => (
        <DocumentFiles
          key={document.id}
          number={number}
          at={`/api/v1/agreements/${number}/documents/${document.id}`}
          document={document}
          title={documents.length > 1 ? document.title : ''}
        />
      ))}
      <AttachedFiles number={number} attached={attached} />
      {documents.length > 1 && (
        <p className="pt-2">
          <a href={`/api/v1/agreements/${number}/documents.zip`}>
            {say('agreements.all-in-one-file')}
          </a>
        </p>
      )}
    </section>
  );
}

function DocumentFiles({
  number,
  at,
  document,
  title,
}: {
  number: string;
  at: string;
  document: Schemas['DocumentView'];
  title: string;
}) {
  return (
    <>
      {title && <h3 className="pt-1 font-semibold">{title}</h3>}
      <ul className="flex flex-col gap-1">
        <li>
          <a href={`${at}.pdf`}>{say('agreements.agreement-as-pdf')}</a>
        </li>
        {document.hasWord && (
          <li>
            <a href={`${at}.docx`}>{say('agreements.wording-as-word-file')}</a>
          </li>
        )}
        {document.hasWord && (
          <li className="py-1">
            <SealWord number={number} document={document} />
          </li>
        )}
        <li>
          {say('agreements.pages-as-pictures')}
          {document.pages.sizes.map((_, i) => (
            <a
              key={i}
              className="mr-2 inline-block min-w-6 text-center"
              href={`${at}/pages/${i + 1}.png`}
            >
              {i + 1}
            </a>
          ))}
        </li>
      </ul>
    </>
  );
}

/** What parties attached. */
export function AttachedFiles({
  number,
  attached,
}: {
  number: string;
  attached: Schemas['AttachedView'][];
}) {
  if (!attached.length) return null;
  return (
    <ul aria-label={say('agreements.attached-files')} className="flex flex-col gap-1 pt-1">
      {attached.map(({ label, name, file }) => (
        <li key={label + file}>
          <span className="text-soft">{label}</span>{' '}
          <a className="break-words" href={`/api/v1/agreements/${number}/attached/${file}`}>
            {name}
          </a>
        </li>
      ))}
    </ul>
  );
}
