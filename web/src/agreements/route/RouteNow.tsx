import type { Schemas } from '../../api/client';
import { BlindWithNames, standingWords } from '../../blind/Blind';
import { say } from '../../messages/rooms';
import { lastDay, since, until } from '../../ui/time';
import { dutyWords } from '../../ui/words';
import { EndOfTime } from './EndOfTime';
import { OwnReminders } from './OwnReminders';
import { PartByHand } from './PartByHand';

type Detail = Schemas['AgreementDetail'];
type Slat = Schemas['RouteStep'];

/** Where an agreement is: with whom, since when, seen or not, and what comes next; the office's hand on it while it is out. */
export function RouteNow({
  detail,
  fixed,
  onTaken,
}: {
  detail: Detail;
  fixed: boolean;
  onTaken: (detail: Detail) => void;
}) {
  const { row, people } = detail;
  const out = row.state === 'OUT';
  const hand = out && !fixed;
  // who signs on paper isn't reached by mail
  const parts = hand && !row.onPaper;
  return (
    <section aria-label={say('agreements.route')}>
      <h2 className="pb-2 text-lg">{say('agreements.route')}</h2>
      <BlindWithNames
        slats={row.route}
        note={noteOf}
        under={(slat) => {
          const part = people.find(({ party }) => party === slat.party);
          return (
            part &&
            out && (
              <>
                {part.undelivered && <p className="text-oxide">{part.undelivered}</p>}
                {parts && (slat.standing === 'OPEN' || slat.standing === 'TURN') && (
                  <PartByHand
                    number={row.number}
                    part={part}
                    turn={slat.standing === 'TURN'}
                    onTaken={onTaken}
                  />
                )}
              </>
            )
          );
        }}
      />
      {people
        .filter(({ duty, absence }) => duty === 'RECEIVES_COPY' && !absence)
        .map((part) => (
          <div key={part.party} className="pt-1">
            <strong className="font-medium">{part.name}</strong>{' '}
            <span className="text-soft">
              {part.label}, {dutyWords[part.duty]}
            </span>
            {parts && <PartByHand number={row.number} part={part} turn={false} onTaken={onTaken} />}
          </div>
        ))}
      {people
        .map(({ absence }) => absence)
        .filter(Boolean)
        .map((one) => (
          <p key={one} className="pt-1 text-soft">
            {one}
          </p>
        ))}
      {out && row.next && row.next.kind !== 'EXPIRY' && (
        <p className="pt-2 text-soft">
          {say('agreements.next-mail', { kind: row.next.kind, when: until(row.next.at) })}
        </p>
      )}
      {out && row.expiresAt && (
        <p className="pt-2 text-soft">
          {say('agreements.can-be-done-until', { date: lastDay(row.expiresAt) })}
        </p>
      )}
      {hand && (
        <>
          <EndOfTime number={row.number} expiresAt={row.expiresAt} onTaken={onTaken} />
          <OwnReminders number={row.number} chasing={detail.chasing} onTaken={onTaken} />
        </>
      )}
      {detail.endReason && (
        <p className="pt-2 text-oxide">
          {say('agreements.reason', { endReason: detail.endReason })}
        </p>
      )}
    </section>
  );
}

/** Since when they are waited for, and whether they have opened it. */
function noteOf(slat: Slat): string {
  if (slat.standing !== 'TURN' || !slat.since || slat.undelivered) return standingWords(slat);
  return say('agreements.their-turn-and', {
    since: since(slat.since),
    seen: slat.seen === null ? 'unknown' : slat.seen ? 'yes' : 'no',
  });
}
