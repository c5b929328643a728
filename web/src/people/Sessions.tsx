import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { Button } from '../ui/parts';
import { dateTime } from '../ui/time';
import { browserWords } from './people';

type Session = Schemas['SessionView'];

const ways: Record<string, RoomCode> = {
  PASSWORD: 'account.by-password',
  CODE: 'account.by-code',
  RECOVERY: 'account.by-recovery',
  PASSKEY: 'account.by-passkey',
  PROVIDER: 'account.by-provider',
};

const wayWords = (way: string) => (ways[way] ? say(ways[way]) : '');

/** Where somebody is signed in. */
export function Sessions({
  sessions,
  busy,
  onEnd,
}: {
  sessions: Session[];
  busy: boolean;
  onEnd: (session: Session) => void;
}) {
  if (sessions.length === 0) return <p className="text-soft">{say('account.no-sessions')}</p>;
  return (
    <ul className="border-t border-rule">
      {sessions.map((one) => (
        <li
          key={one.id}
          className="flex flex-wrap items-center gap-x-4 border-b border-rule px-2 py-1.5 even:bg-slatted"
        >
          <span className="min-w-44 grow">
            {browserWords(one.browser) || say('account.other-program')}
            <span className="block text-soft">{one.from}</span>
          </span>
          <span className="min-w-44 grow">
            {say('account.since', { moment: dateTime(one.since) })}
            {one.way && `, ${wayWords(one.way)}`}
            <span className="block text-soft">
              {say('account.last-used', { moment: dateTime(one.seen) })}
            </span>
          </span>
          {one.here ? (
            <span className="text-soft">{say('account.here')}</span>
          ) : (
            <Button disabled={busy} onClick={() => onEnd(one)}>
              {say('account.end-session')}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
