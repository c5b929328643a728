import { say } from '../messages/rooms';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { redlineTag } from './redlineTag';

type Detail = Schemas['TemplateDetail'];
type Difference = Schemas['VersionDifference'];

/** Two versions of a wording against each other: what went is struck out, what came is underlined. */
export function RedlineView({
  from,
  detail,
  difference,
}: {
  from: number;
  /** The newer of the two. */
  detail: Detail;
  difference: Difference;
}) {
  const to = detail.version;
  const changed = difference.lines.filter((line) =>
    line.pieces.some((piece) => piece.fate !== 'SAME'),
  );
  return (
    <section aria-label={say('templates.difference')} className="pt-5">
      <h2 className="pb-2 text-xl">{say('templates.from-version-to-version', { from, to })}</h2>
      {!changed.length && !difference.settings.length && (
        <p>{say('templates.the-two-versions-are-the')}</p>
      )}
      {difference.settings.length > 0 && (
        <ul className="mb-4 list-disc pl-5">
          {difference.settings.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      )}
      {changed.length > 0 && (
        <div className="max-w-3xl bg-[#fff] px-8 py-6 font-serif text-[#1d2726] shadow-page">
          {difference.lines.map((line, i) => (
            <p key={i} className="pb-2">
              {line.part !== 'body' && (
                <span className="font-sans text-[#55605d]">{line.part}: </span>
              )}
              {line.pieces.map((piece, at) => (
                <Fate key={at} fate={piece.fate}>
                  {piece.tag === 'WORDS' ? piece.text : <Tag piece={piece} detail={detail} />}
                </Fate>
              ))}
            </p>
          ))}
        </div>
      )}
    </section>
  );
}

function Fate({ fate, children }: { fate: Schemas['RedlinePiece']['fate']; children: ReactNode }) {
  if (fate === 'WENT') return <del className="text-[#9b2c2c] line-through">{children}</del>;
  if (fate === 'CAME') return <ins className="text-[#4f7040] underline">{children}</ins>;
  return <span>{children}</span>;
}

/** A tag by what it is called; it leads to its card on the page. */
function Tag({ piece, detail }: { piece: Schemas['RedlinePiece']; detail: Detail }) {
  const { says, opens } = redlineTag(piece, detail.content);
  if (!opens || piece.tag === 'CLOSE') return <span title={piece.text}>{says}</span>;
  return (
    <Link
      to={`/templates/${detail.id}?open=${opens}`}
      title={piece.text}
      className="text-inherit no-underline hover:underline"
    >
      {says}
    </Link>
  );
}
