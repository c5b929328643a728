import { useState } from 'react';
import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { Button, Trouble } from '../../ui/parts';
import { date } from '../../ui/time';
import { leftWords, overWords } from './dateWords';
import { DealWith } from './DealWith';
import { useAgreementDates, type WatchedDate } from './queries';
import { renewalOf } from './renewalOf';
import { Renewals } from './Renewals';

/** The watched dates of a completed agreement, what it renews and what it is renewed by. */
export function DatesOfAgreement({ number }: { number: string }) {
  const coordinator = useMay('COORDINATOR');
  const found = useAgreementDates(number);
  const [dealt, setDealt] = useState<WatchedDate>();
  if (!found.data) return <Trouble error={found.error} />;
  const { dates, without, renews, renewals } = found.data;
  if (!coordinator && !dates.length && !renews && !renewals.length) return null;
  return (
    <section aria-label={say('dates.dates')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('dates.dates')}</h2>
      {renews && (
        <p>
          {say('dates.renews')} <Link to={`/archive/${renews}`}>{renews}</Link>
        </p>
      )}
      <ul className="flex flex-col gap-1">
        {dates.map((one) => (
          <li key={one.id} className="flex items-baseline gap-x-2 border-b border-rule py-1">
            <span className="mr-auto min-w-0 wrap-anywhere">
              {one.what}
              <span
                className={`block ${one.state === 'OPEN' && one.left < 0 ? 'text-oxide' : 'text-soft'}`}
              >
                {`${date(one.day)}, ${one.state === 'OPEN' ? leftWords(one.left) : overWords(one)}`}
              </span>
            </span>
            {coordinator && (
              <Button className="min-h-7 shrink-0" onClick={() => setDealt(one)}>
                {say(one.state === 'OPEN' ? 'dates.deal' : 'dates.look')}
                <span className="sr-only">{one.what}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      {without.map((what, at) => (
        <p key={`${at} ${what}`} className="text-soft">
          {say('dates.without', { what })}
        </p>
      ))}
      <Renewals renewals={renewals} />
      {coordinator && (
        <p>
          <Link to={renewalOf(number, found.data)}>{say('dates.renew')}</Link>
        </p>
      )}
      {dealt && <DealWith date={dealt} onClose={() => setDealt(undefined)} />}
    </section>
  );
}
