import { useState } from 'react';
import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { Button, Trouble } from '../../ui/parts';
import { date, dateTime } from '../../ui/time';
import { HoldDialog, LiftDialog } from './HoldDialog';
import { useRetentionOf, type LegalHold } from './queries';

/** How long an agreement that has ended is kept, and what keeps it longer. */
export function RetentionOfAgreement({ number }: { number: string }) {
  const coordinator = useMay('COORDINATOR');
  const found = useRetentionOf(number);
  const [holding, setHolding] = useState(false);
  const [lifted, setLifted] = useState<LegalHold>();
  if (!found.data) return <Trouble error={found.error} />;
  const { until, holds, going } = found.data;
  return (
    <section aria-label={say('retention.retention')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('retention.retention')}</h2>
      <p>{until ? say('retention.until', { day: date(until) }) : say('retention.ever')}</p>
      {going && (
        <p className="text-clay">
          {say('retention.is-destroyed', { by: going.by, when: dateTime(going.when) })}{' '}
          <Link className="underline underline-offset-3" to="/archive/retention?list=confirmed">
            {say('retention.look')}
          </Link>
        </p>
      )}
      {holds.length > 0 && (
        <ul aria-label={say('retention.held')} className="flex flex-col gap-2">
          {holds.map((hold) => (
            <li key={hold.id} className="border-b border-rule pb-2 wrap-anywhere">
              <q className="whitespace-pre-line">{hold.reason}</q>
              <span className="block text-soft">
                {hold.lifted
                  ? say('retention.hold-lifted', {
                      by: hold.by,
                      day: date(hold.at),
                      liftedBy: hold.liftedBy,
                      liftedOn: date(hold.lifted),
                    })
                  : say('retention.hold-since', { by: hold.by, day: date(hold.at) })}
              </span>
              {hold.liftedBecause && (
                <q className="block whitespace-pre-line text-soft">{hold.liftedBecause}</q>
              )}
              {coordinator && !hold.lifted && (
                <Button className="mt-1 min-h-7" onClick={() => setLifted(hold)}>
                  {say('retention.lift')}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {coordinator && (
        <Button className="self-start" onClick={() => setHolding(true)}>
          {say('retention.hold')}
        </Button>
      )}
      {holding && (
        <HoldDialog
          numbers={[number]}
          onClose={() => setHolding(false)}
          onDone={() => setHolding(false)}
        />
      )}
      {lifted && <LiftDialog hold={lifted} onClose={() => setLifted(undefined)} />}
    </section>
  );
}
