import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import { date, dateTime } from '../../ui/time';
import { useStampsAnew } from './queries';
import { StampPolicyForm } from './StampPolicyForm';
import { algorithms } from './stampWords';

/** How all stamps stand, and what isn't as it should be. */
export function StampsState({
  state,
  fixed,
}: {
  state: Schemas['ArchiveStampsState'];
  fixed: boolean;
}) {
  const [choosing, setChoosing] = useState(false);
  const round = useStampsAnew(() => answer(api.POST('/api/v1/archive/stamps/rounds')));
  const { waiting, due, nextDue, lookedAt, said, policy } = state;
  const look = said.length > 0 ? 'border-oxide' : lookedAt ? 'border-moss' : 'border-edge';
  return (
    <section aria-label={say('stamps.state')} className="mb-5">
      <Trouble error={round.error} />
      <div className={`flex items-start gap-4 border-l-4 bg-sheet px-3 py-2 ${look}`}>
        <div role="status" className="mr-auto">
          {said.map((one) => (
            <p key={one} className="text-oxide">
              {one}
            </p>
          ))}
          <p>{due > 0 ? say('stamps.due', { due }) : say('stamps.nothing-due')}</p>
          {waiting > 0 && <p>{say('stamps.waiting', { waiting })}</p>}
          <p className="text-soft">
            {nextDue && say('stamps.next-due', { day: date(nextDue) })}{' '}
            {say('stamps.policy-says', {
              days: policy.renewDays,
              algorithm: algorithms.find(({ value }) => value === policy.algorithm)?.words ?? '',
            })}{' '}
            {lookedAt && say('stamps.looked-at', { at: dateTime(lookedAt) })}
          </p>
        </div>
        {!fixed && (
          <div className="flex shrink-0 gap-3">
            <Button onClick={() => setChoosing(true)}>{say('stamps.choose')}</Button>
            <Button disabled={round.isPending} onClick={() => round.mutate(undefined)}>
              {round.isPending ? say('stamps.at-work') : say('stamps.do-now')}
            </Button>
          </div>
        )}
      </div>
      {choosing && <StampPolicyForm state={state} onClose={() => setChoosing(false)} />}
    </section>
  );
}
