import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { redlineTag } from './redlineTag';

type Detail = Schemas['TemplateDetail'];

/** Paragraphs of a wording as text: what stands in a tag is called as the template calls it, and leads to its card. */
export function WordingLines({
  lines,
  detail,
}: {
  lines: Schemas['RedlineLine'][];
  detail: Detail;
}) {
  return lines.map((line, i) => (
    <p key={i} className="pb-2">
      {line.part !== 'body' && <span className="font-sans text-[#55605d]">{line.part}: </span>}
      {line.pieces.map((piece, at) => (
        <Fate key={at} fate={piece.fate}>
          {piece.tag === 'WORDS' ? piece.text : <Tag piece={piece} detail={detail} />}
        </Fate>
      ))}
    </p>
  ));
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
