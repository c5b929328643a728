import { useEffect, useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';
import type { SigningPage } from '../useAct';
import { Blocks, type Stretches } from './Blocks';
import { Place } from './Place';

type ReadingText = Schemas['ReadingText'];

/** A document as text that flows, with its fields in their places. It is made of the file that is signed. */
export function ReadingView({
  page,
  document,
  token,
  onUnstructured,
}: {
  page: SigningPage;
  document: SigningPage['documents'][number];
  token: string;
  /** The file tells no structure: it is there only as printed. */
  onUnstructured: (document: string) => void;
}) {
  const words = useSay();
  const text = useText(token, document.id, page.standing, onUnstructured);
  if (text === 'failed')
    return (
      <p role="alert" className="text-oxide">
        {words.say('read.failed')}
      </p>
    );
  if (!text)
    return (
      <p role="status" className="text-soft">
        {words.say('read.opening')}
      </p>
    );
  const stretch: Stretches = (one) =>
    one.field ? (
      <Place page={page} document={document.id} name={one.field} filled={one.text} />
    ) : (
      <img
        className="my-2 max-w-full"
        alt={one.text}
        src={`/api/v1/signing/${token}/documents/${document.id}/pictures/${one.picture}.png`}
        style={{ width: `${((text.pictures[one.picture - 1]?.width ?? 200) * 4) / 3}px` }}
      />
    );
  return (
    <div
      lang={page.documentLanguage}
      className="border border-rule bg-sheet px-4 py-3 text-[1.0625rem] leading-relaxed"
    >
      <Blocks blocks={text.blocks} stretch={stretch} top={page.documents.length > 1 ? 3 : 2} />
      {text.elsewhere.length > 0 && (
        <section aria-label={words.say('read.elsewhere')} className="mt-4 border-t border-rule">
          <h3 className="mt-3 text-base text-soft">{words.say('read.elsewhere')}</h3>
          {once(text.elsewhere, document).map((name) => (
            <div key={name} className="my-2">
              <Place page={page} document={document.id} name={name} filled="" />
            </div>
          ))}
        </section>
      )}
      {text.edges.length > 0 && (
        <section aria-label={words.say('read.edges')} className="mt-4 border-t border-rule">
          <h3 className="mt-3 text-base text-soft">{words.say('read.edges')}</h3>
          {text.edges.map((line) => (
            <p key={line} className="text-base break-words text-soft">
              {line}
            </p>
          ))}
        </section>
      )}
    </div>
  );
}

/** A field that stands on every page is told of once. */
function once(names: string[], document: SigningPage['documents'][number]): string[] {
  const first = new Map(
    names.map((name) => {
      const placed = document.pages.fields.find(({ field }) => field.name === name);
      return [placed?.field.sameAs || name, name] as const;
    }),
  );
  return names.filter((name) => first.has(name));
}

function useText(
  token: string,
  document: string,
  /** The file is another one when the participant has acted. */
  standing: string,
  onUnstructured: (document: string) => void,
) {
  const [text, setText] = useState<ReadingText | 'failed'>();
  useEffect(() => {
    let ended = false;
    answer(
      api.GET('/api/v1/signing/{token}/documents/{document}/text', {
        params: { path: { token, document } },
      }),
    )
      .then((found) => {
        if (ended) return;
        if (found.structured) setText(found);
        else onUnstructured(document);
      })
      .catch(() => {
        // what can be read already stays
        if (!ended) setText((before) => before ?? 'failed');
      });
    return () => {
      ended = true;
    };
  }, [token, document, standing, onUnstructured]);
  return text;
}
