import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { WordingLines } from './WordingLines';

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
          <WordingLines lines={difference.lines} detail={detail} />
        </div>
      )}
    </section>
  );
}
