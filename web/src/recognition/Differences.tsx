import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';

type Piece = Schemas['ReadPiece'];

/** What the file says otherwise than its template; a person has to say that they have read it. */
export function Differences({
  detail,
  seen,
  onSeen,
}: {
  detail: Schemas['FinishedFileDetail'];
  seen: boolean;
  onSeen: (seen: boolean) => void;
}) {
  const count = detail.row.differences;
  return (
    <section aria-label={say('recognition.differences')}>
      <h2 className="pb-2 text-lg">{say('recognition.differences')}</h2>
      {count === 0 && <p className="text-moss">{say('recognition.no-differences')}</p>}
      {count > 0 && (
        <>
          <div
            tabIndex={0}
            role="group"
            aria-label={say('recognition.redline')}
            className="max-h-96 overflow-y-auto bg-[#fff] px-5 py-4 font-serif text-[#1d2726] shadow-page"
          >
            {detail.lines.map((line, i) => (
              <p key={i} className="pb-2">
                {line.pieces.map((piece, at) => (
                  <Said key={at} piece={piece} />
                ))}
              </p>
            ))}
          </div>
          <label className="flex items-center gap-2 pt-3">
            <input
              type="checkbox"
              className="size-4"
              checked={seen}
              onChange={(event) => onSeen(event.target.checked)}
            />
            {say('recognition.seen', { count })}
          </label>
        </>
      )}
    </section>
  );
}

function Said({ piece }: { piece: Piece }) {
  const { text } = piece;
  if (piece.fate === 'WENT') return <del className="text-[#9b2c2c] line-through">{text}</del>;
  if (piece.fate === 'CAME') return <ins className="text-[#4f7040] underline">{text}</ins>;
  if (piece.fate === 'VALUE')
    return <span className="border-b border-[#48617a] font-medium">{text}</span>;
  return <span>{text}</span>;
}
