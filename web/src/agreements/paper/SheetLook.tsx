import { useState } from 'react';
import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Finding, Sheet } from './usePaper';

/** A page as it was printed beside the same page as it came back, with what differs marked on both. */
export function SheetLook({ number, sheet }: { number: string; sheet: Sheet }) {
  const [over, setOver] = useState<number>();
  const { came } = sheet;
  const printed = `/api/v1/agreements/${number}/paper/${sheet.document}/${sheet.page}.png`;
  const findings = came?.findings ?? [];
  return (
    <section aria-label={say('paper.side-by-side')}>
      <ol className="pb-3">
        {findings.map((one, i) => (
          <li
            key={i}
            className="border-b border-rule py-1"
            onMouseEnter={() => setOver(i)}
            onMouseLeave={() => setOver(undefined)}
          >
            <span className={one.inDoubt ? 'text-clay' : 'text-moss'}>{i + 1}.</span> {one.said}
            {one.text && <span className="block text-soft">{saidOf(one)}</span>}
          </li>
        ))}
      </ol>
      <div className="grid grid-cols-2 gap-4">
        <Face title={say('paper.printed')} picture={printed} findings={findings} over={over} />
        {came ? (
          <Face
            title={say('paper.came-back')}
            picture={`/api/v1/scans/${came.scan}/pages/${came.number}.jpg?laid=true`}
            findings={came.laid ? findings : []}
            over={over}
          />
        ) : (
          <p className="self-start border border-dashed border-rule p-6 text-soft">
            {say('paper.nothing-came')}
          </p>
        )}
      </div>
      {came && (
        <p className="pt-2 text-soft">
          {came.marked
            ? say('paper.by-its-mark')
            : say(came.byHand ? 'paper.by-hand' : 'paper.by-its-look')}{' '}
          {sheet.others > 0 && say('paper.others', { count: sheet.others })}{' '}
          <Link to={`/agreements/scans/${came.scan}`} className="underline underline-offset-3">
            {say('paper.its-scan')}
          </Link>
        </p>
      )}
    </section>
  );
}

function saidOf({ text, instead }: Finding): string {
  return instead ? say('paper.printed-and-read', { text, instead }) : text;
}

/** One of the two, with numbered frames around what differs. */
function Face({
  title,
  picture,
  findings,
  over,
}: {
  title: string;
  picture: string;
  findings: Finding[];
  over: number | undefined;
}) {
  return (
    <figure>
      <figcaption className="pb-1 text-soft">{title}</figcaption>
      <div className="relative border border-rule bg-sheet">
        <img src={picture} alt={title} className="block w-full" />
        {findings.map((one, i) => (
          <span
            key={i}
            aria-hidden="true"
            className={`absolute border-2 ${one.inDoubt ? 'border-clay' : 'border-moss'} ${over === i ? 'bg-clay/25' : ''}`}
            style={{
              left: `${one.left - 0.4}%`,
              top: `${one.top - 0.3}%`,
              width: `${one.width + 0.8}%`,
              height: `${one.height + 0.6}%`,
            }}
          >
            <span
              className={`absolute -top-5 -left-0.5 px-1 text-sm text-onbottle ${one.inDoubt ? 'bg-clay' : 'bg-moss'}`}
            >
              {i + 1}
            </span>
          </span>
        ))}
      </div>
    </figure>
  );
}
