import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { failed } from './renewalOf';

/** What an agreement is renewed by, with how far that has come. */
export function Renewals({ renewals }: { renewals: Schemas['RenewalRequest'][] }) {
  return renewals.map(({ request, agreement, state }) => (
    <span key={request} className="block">
      {wordsOf(state)}{' '}
      <Link to={agreement ? `/agreements/${agreement}` : `/intake/${request}`}>
        {agreement ?? request}
      </Link>
    </span>
  ));
}

function wordsOf(state: Schemas['RenewalRequest']['state']): string {
  if (state === 'COMPLETED') return say('dates.renewal-done');
  return say(state && failed.includes(state) ? 'dates.renewal-failed' : 'dates.renewal-asked');
}
