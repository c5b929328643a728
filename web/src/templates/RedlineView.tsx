import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';

type Difference = Schemas['VersionDifference'];

/** Two versions of a wording against each other: what went is struck out, what came is underlined. */
export function RedlineView({
  from,
  to,
  difference,
}: {
  from: number;
  to: number;
  difference: Difference;
}) {
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
              {line.pieces.map((piece, at) => {
                if (piece.fate === 'WENT') {
                  return (
                    <del key={at} className="text-[#9b2c2c] line-through">
                      {piece.text}
                    </del>
                  );
                }
                if (piece.fate === 'CAME') {
                  return (
                    <ins key={at} className="text-[#4f7040] underline">
                      {piece.text}
                    </ins>
                  );
                }
                return <span key={at}>{piece.text}</span>;
              })}
            </p>
          ))}
        </div>
      )}
    </section>
  );
}
