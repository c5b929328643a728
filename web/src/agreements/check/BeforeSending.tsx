import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';

type ToSettle = Schemas['ToSettle'];

/** What still stands in the way of sending, each with the way to where it is settled. */
export function BeforeSending({
  obstacles,
  warnings,
  template,
  onSettle,
}: {
  obstacles: ToSettle[];
  warnings: string[];
  /** The id of the template, where the rest is settled. */
  template: string;
  /** Goes to where something is settled; without it nothing can be. */
  onSettle?: ((what: ToSettle) => void) | undefined;
}) {
  return (
    <section
      aria-label={say('agreements.readiness')}
      className={`border-l-4 bg-sheet px-4 py-3 ${obstacles.length ? 'border-clay' : 'border-moss'}`}
    >
      <h2 className="text-lg">{say('agreements.readiness')}</h2>
      {obstacles.length === 0 && <p>{say('agreements.nothing-stands-in-the-way')}</p>}
      <ul className="flex list-disc flex-col gap-1 pl-4">
        {obstacles.map((one) => (
          <li key={`${one.text} ${one.name}`}>
            {one.text}{' '}
            {onSettle && one.at !== 'ELSEWHERE' && (
              <button
                type="button"
                className="min-h-6 text-slate underline underline-offset-3"
                onClick={() => onSettle(one)}
              >
                {say(ways[one.at])}
              </button>
            )}
            {onSettle && one.at === 'ELSEWHERE' && (
              <Link to={`/templates/${template}?face=sending`}>
                {say('agreements.go-to-the-template')}
              </Link>
            )}
          </li>
        ))}
        {warnings.map((one) => (
          <li key={one} className="text-clay">
            {one}
          </li>
        ))}
      </ul>
    </section>
  );
}

const ways = {
  ANSWER: 'agreements.answer-it',
  PERSON: 'agreements.correct-the-person',
  DOCUMENTS: 'agreements.go-to-the-documents',
} as const;
