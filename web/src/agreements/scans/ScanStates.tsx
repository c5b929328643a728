import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { ScanRow } from '../paper/usePaper';

/** Scans that are being read, couldn't be, or have pages that nobody knows. */
export function ScanStates({ scans }: { scans: ScanRow[] }) {
  const told = scans.filter(({ state, loose }) => state !== 'READ' || loose > 0);
  return (
    <ul role="status" className={told.length ? 'pb-3' : ''}>
      {told.map((one) => (
        <li key={one.id}>
          <Link to={`/agreements/scans/${one.id}`} className="underline underline-offset-3">
            {one.name || say('scans.nameless')}
          </Link>{' '}
          <span className={one.state === 'REFUSED' ? 'text-oxide' : 'text-soft'}>
            {scanWords(one)}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** How far a scan is, in words. */
export function scanWords({ state, fault, pages, seen, loose }: ScanRow): string {
  if (state === 'READING') return say('scans.being-read', { seen, pages });
  if (state === 'REFUSED') return fault;
  return loose > 0 ? say('scans.loose', { count: loose }) : say('scans.read', { pages });
}
