import { lazy, Suspense, useCallback, useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button } from '../ui/parts';
import type { Filling } from './filling';
import { ReadingView } from './reading/ReadingView';
import type { SigningPage } from './useAct';

// what draws pages isn't fetched by who reads the text
const PrintedPages = lazy(() => import('./PrintedPages'));

/** As wide as a page with the list beside it needs to be read. */
const WIDE = '(min-width: 1024px)';

/** The documents of the agreement: as text that flows, or as printed. */
export function Documents({
  page,
  token,
  filling,
}: {
  page: SigningPage;
  token: string;
  filling: Filling | undefined;
}) {
  const words = useSay();
  const [text, setText] = useState(() => !window.matchMedia(WIDE).matches);
  const [printedOnly, setPrintedOnly] = useState<string[]>([]);
  const onUnstructured = useCallback(
    (id: string) => setPrintedOnly((before) => [...before, id]),
    [],
  );
  return (
    <section aria-label={words.say('page.document')} className="min-w-0">
      <div
        role="group"
        aria-label={words.say('read.how')}
        className="flex flex-wrap items-center gap-2 pb-1"
      >
        {[true, false].map((way) => (
          <Button
            key={String(way)}
            className={`min-h-11 ${text === way ? 'border-ink! bg-paper!' : ''}`}
            aria-pressed={text === way}
            onClick={() => setText(way)}
          >
            {words.say(way ? 'read.text' : 'read.printed')}
          </Button>
        ))}
      </div>
      <p className="pb-3 text-soft">{words.say('read.binds')}</p>
      {page.documents.map((document) => {
        const printed = !text || printedOnly.includes(document.id);
        return (
          <section key={document.id} aria-label={document.title} className="pb-4">
            {page.documents.length > 1 && <h2 className="py-3 text-xl">{document.title}</h2>}
            <p className="pb-2">
              <a
                className="inline-flex min-h-11 items-center"
                href={`/api/v1/signing/${token}/documents/${document.id}.pdf`}
                target="_blank"
                rel="noreferrer"
              >
                {words.say('read.to-print')}
              </a>
            </p>
            {text && printed && <p className="pb-2 text-soft">{words.say('read.only-printed')}</p>}
            {printed ? (
              <Suspense
                fallback={
                  <p role="status" className="text-soft">
                    {words.say('page.opening-pages')}
                  </p>
                }
              >
                <PrintedPages page={page} document={document} token={token} filling={filling} />
              </Suspense>
            ) : (
              <ReadingView
                page={page}
                document={document}
                token={token}
                onUnstructured={onUnstructured}
              />
            )}
          </section>
        );
      })}
    </section>
  );
}
