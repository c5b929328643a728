import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { stateWords } from '../ui/words';

/** The agreements that one request is for, each with how far it has come. */
export function RequestParts({ request }: { request: Schemas['RequestDetail'] }) {
  const { parts, partOf } = request;
  if (!parts.length) return null;
  return (
    <section aria-label={say('intake.parts')} className="mb-4 max-w-2xl">
      <h2 className="pb-1 text-lg">{say('intake.parts')}</h2>
      <ul>
        {parts.map(({ number, template, wanted, agreement, agreementState }) => (
          <li
            key={number}
            className="flex min-h-9 flex-wrap items-center gap-x-4 border-b border-rule py-1"
          >
            <span className={`mr-auto ${wanted ? '' : 'text-soft line-through'}`}>{template}</span>
            {!wanted && <span className="text-soft">{say('intake.part-not-wanted')}</span>}
            {agreementState && <span className="text-soft">{stateWords[agreementState]}</span>}
            {agreement ? (
              <Link to={`/agreements/${agreement}`}>{agreement}</Link>
            ) : (
              wanted && <span className="text-clay">{say('intake.part-not-made')}</span>
            )}
          </li>
        ))}
      </ul>
      {partOf && (
        <p className="pt-2">
          <Link to={`/intake/${partOf}`}>{say('intake.part-of', { number: partOf })}</Link>
        </p>
      )}
    </section>
  );
}
