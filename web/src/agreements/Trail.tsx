import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { dateTime } from '../ui/time';
import { RefusedActs } from './RefusedActs';

/** The audit trail, with whether its chain holds. */
export function Trail({ detail }: { detail: Schemas['AgreementDetail'] }) {
  return (
    <section aria-label={say('agreements.audit-trail')}>
      <h2 className="text-lg">{say('agreements.audit-trail')}</h2>
      {detail.chainBrokenAt === null ? (
        <p className="pb-2 text-moss">
          {say('agreements.the-chain-of-events-is', { count: detail.trail.length })}
        </p>
      ) : (
        <p role="alert" className="pb-2 text-oxide">
          {say('agreements.the-chain-is-broken-at', { chainBrokenAt: detail.chainBrokenAt })}
        </p>
      )}
      <ol className="flex flex-col gap-2 border-l border-rule pl-3">
        {detail.trail.map((entry) => (
          <li key={entry.sequence}>
            <time dateTime={entry.at} className="block text-soft">
              {dateTime(entry.at)}
            </time>
            <span className="break-words">{entry.sentence}</span>
          </li>
        ))}
      </ol>
      <RefusedActs number={detail.row.number} events={detail.trail.length} />
    </section>
  );
}
