import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { date } from '../../ui/time';

/** The archive time stamp that an agreement's files are under, with what proves it to others. */
export function Stamped({
  number,
  stamped,
}: {
  number: string;
  stamped: Schemas['StampedFiles'] | null;
}) {
  if (!stamped) return <p className="text-soft">{say('stamps.not-yet')}</p>;
  const { stamp, since, until } = stamped;
  return (
    <p className="text-soft">
      {say('stamps.under', { stamp, since: date(since), until: date(until) })}{' '}
      <a
        href={`/api/v1/archive/${number}/evidence-records.zip`}
        className="underline underline-offset-3"
      >
        {say('stamps.records')}
      </a>
    </p>
  );
}
