import type { Schemas } from '../api/client';
import { dateTime } from '../ui/time';

/** The audit trail, with whether its chain holds. */
export function Trail({ detail }: { detail: Schemas['AgreementDetail'] }) {
  return (
    <section aria-label="Audit trail">
      <h2 className="text-lg">Audit trail</h2>
      {detail.chainBrokenAt === null ? (
        <p className="pb-2 text-moss">The chain of {detail.trail.length} events is whole.</p>
      ) : (
        <p role="alert" className="pb-2 text-oxide">
          The chain is broken at event {detail.chainBrokenAt}: the stored trail was changed.
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
    </section>
  );
}
