import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { AgreementPages } from './AgreementPages';
import type { Answering } from './check/useCheck';

type Detail = Schemas['AgreementDetail'];

/** The documents of an agreement, one beneath the other, with the ways to each where there are several. */
export function DocumentsOfAgreement({
  detail,
  onTook,
  request,
  answering,
}: {
  detail: Detail;
  /** Told when a field was put on a page or taken off; without it none can be. */
  onTook?: ((detail: Detail) => void) | undefined;
  request?: Schemas['RequestDetail'] | undefined;
  /** Which answer is looked at; without it none can be corrected. */
  answering?: Answering | undefined;
}) {
  const { documents } = detail;
  const several = documents.length > 1;
  return (
    <>
      {several && (
        <nav aria-label={say('documents.documents')} className="pb-3">
          <ol className="flex flex-wrap gap-x-4 gap-y-1">
            {documents.map(({ id, title, pages }, i) => (
              <li key={id}>
                <a href={`#document-${id}`}>
                  {say('agreements.document-with-pages', {
                    number: i + 1,
                    title,
                    pages: pages.sizes.length,
                  })}
                </a>
              </li>
            ))}
          </ol>
        </nav>
      )}
      {documents.map((document, i) => (
        <section key={document.id} id={`document-${document.id}`} aria-label={document.title}>
          {several && <h2 className="pb-2 text-lg">{document.title}</h2>}
          <AgreementPages
            detail={detail}
            document={document}
            onTook={onTook}
            request={request}
            answering={answering}
            first={i === 0}
          />
        </section>
      ))}
    </>
  );
}
