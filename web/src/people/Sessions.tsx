import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { Button, Table } from '../ui/parts';
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
    <Table
      head={[
        say('account.where'),
        say('account.since'),
        say('account.last-used'),
        say('account.how'),
        '',
      ]}
    >
      {sessions.map((one) => (
        <tr key={one.id}>
          <td>
            {browserWords(one.browser) || say('account.other-program')}
            <span className="text-soft"> {one.from}</span>
          </td>
          <td className="whitespace-nowrap">{dateTime(one.since)}</td>
          <td className="whitespace-nowrap">{dateTime(one.seen)}</td>
          <td>{wayWords(one.way)}</td>
          <td className="text-right whitespace-nowrap">
            {one.here ? (
              <span className="text-soft">{say('account.here')}</span>
            ) : (
              <Button disabled={busy} onClick={() => onEnd(one)}>
                {say('account.end-session')}
              </Button>
            )}
          </td>
        </tr>
      ))}
    </Table>
  );
}
