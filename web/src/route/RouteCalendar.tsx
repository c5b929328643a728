import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { Ordinal } from '../page/weave';
import { timeOf, weeksOf, type Day, type Moment } from './weeks';

type Calendar = Schemas['RouteCalendar'];
/** Who has a part in the route, in the order in which their weaves count. */
export type Part = { party: string; label: string };

const said: Record<Moment['kind'], RoomCode> = {
  SENT: 'route.sent',
  INVITATION: 'route.invited',
  REMINDER: 'route.reminded',
  WARNING: 'route.warned',
  ACT: 'route.acts',
  DECLINED: 'route.declined',
  WITHDRAWN: 'route.withdrawn',
  COMPLETION: 'route.completed',
  EXPIRY: 'route.expires',
};

const weekdays = [0, 1, 2, 3, 4, 5, 6].map((day) =>
  new Date(Date.UTC(2026, 10, 23 + day)).toLocaleDateString('en-GB', {
    weekday: 'short',
    timeZone: 'UTC',
  }),
);

/** Who gets what on which day: weeks as rows, days on which the office rests shaded, what has happened apart from what will. */
export function RouteCalendar({ calendar, parts }: { calendar: Calendar; parts: Part[] }) {
  const rows = weeksOf(calendar);
  if (!rows.length) return <p className="text-soft">{say('route.nothing')}</p>;
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={say('route.calendar')}>
      <table className="w-full min-w-[52rem] table-fixed border-collapse bg-sheet">
        <caption className="sr-only">{say('route.calendar')}</caption>
        <thead>
          <tr className="border-b border-edge text-left text-soft">
            {weekdays.map((name) => (
              <th key={name} scope="col" className="h-8 px-2 font-medium">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) =>
            'quiet' in row ? (
              <tr key={i} className="border-b border-rule">
                <td colSpan={7} className="px-2 py-0.5 text-center text-soft">
                  {say('route.quiet', { weeks: row.quiet })}
                </td>
              </tr>
            ) : (
              <tr key={i} className="border-b border-rule align-top">
                {row.week.map((day) => (
                  <Cell key={day.iso} day={day} calendar={calendar} parts={parts} />
                ))}
              </tr>
            ),
          )}
        </tbody>
      </table>
    </div>
  );
}

function Cell({ day, calendar, parts }: { day: Day; calendar: Calendar; parts: Part[] }) {
  const date = new Date(`${day.iso}T00:00:00Z`);
  const first = date.getUTCDate() === 1 || date.getUTCDay() === 1;
  return (
    <td
      className={`border-l border-rule px-1.5 py-1 first:border-l-0 ${day.closed ? 'bg-paper' : ''}`}
    >
      <p className={day.moments.length ? 'font-medium' : 'text-soft'}>
        <time dateTime={day.iso}>
          {date.toLocaleDateString('en-GB', {
            day: 'numeric',
            timeZone: 'UTC',
            ...(first || day.moments.length ? { month: 'short' } : {}),
          })}
        </time>
        {day.holiday && <span className="font-normal text-soft"> {day.holiday}</span>}
      </p>
      {day.moments.length > 0 && (
        <ul className="flex flex-col gap-1 pt-0.5">
          {day.moments.map((moment, i) => (
            <li key={i} className={`leading-snug ${looks(moment)}`}>
              <Said moment={moment} zone={calendar.zone} parts={parts} />
            </li>
          ))}
        </ul>
      )}
    </td>
  );
}

/** What hasn't happened is drawn as slats that are open still: with a thin outline. */
function looks({ kind, happened }: Moment): string {
  const colour = ['EXPIRY', 'DECLINED', 'WITHDRAWN'].includes(kind)
    ? 'border-oxide'
    : kind === 'ACT' || kind === 'COMPLETION'
      ? 'border-moss'
      : 'border-clay';
  return `pl-1.5 ${colour} ${happened ? 'border-l-4' : 'border-l border-dashed'}`;
}

function Said({ moment, zone, parts }: { moment: Moment; zone: string; parts: Part[] }) {
  const who = moment.parties.map((party) => parts.findIndex((part) => part.party === party));
  const words = say(said[moment.kind], { happened: moment.happened ? 'yes' : 'no' });
  const time = moment.kind === 'EXPIRY' ? '' : timeOf(moment.at, zone);
  return (
    <>
      {who.map((at, i) => (
        <Fragment key={i}>
          <span className="inline-flex items-center gap-1">
            <Ordinal ordinal={at + 1} />
            {parts[at]?.label ?? moment.parties[i]}
          </span>{' '}
        </Fragment>
      ))}
      <span>{words}</span> <span className="whitespace-nowrap text-soft">{time}</span>
    </>
  );
}
