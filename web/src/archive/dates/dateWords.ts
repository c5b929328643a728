import { say } from '../../messages/rooms';
import { date, dateTime } from '../../ui/time';
import type { Kind, WatchedDate } from './queries';

export const kinds: Kind[] = ['END', 'RENEWAL', 'NOTICE', 'OTHER'];

export function kindWords(kind: Kind): string {
  return say(
    (
      {
        END: 'dates.end',
        RENEWAL: 'dates.renewal',
        NOTICE: 'dates.notice',
        OTHER: 'dates.other',
      } as const
    )[kind],
  );
}

/** How far a day is: today, in 12 days, 3 days ago. */
export function leftWords(left: number): string {
  if (left === 0) return say('dates.today');
  return left > 0 ? say('dates.in-days', { days: left }) : say('dates.days-ago', { days: -left });
}

/** What became of a date that needs nothing any more. */
export function overWords({ state, renewedBy }: WatchedDate): string {
  if (state === 'RENEWED') return say('dates.renewed-by', { number: renewedBy });
  return say(state === 'PAST' ? 'dates.was-over' : 'dates.dealt-with');
}

/** Something that was done about a date, with who did it. */
export function actWords({ act, day, by, at }: WatchedDate['acts'][number]): string {
  const values = { by, at: dateTime(at), day: date(day) };
  switch (act) {
    case 'SETTLED':
      return say('dates.act-settled', values);
    case 'REOPENED':
      return say('dates.act-reopened', values);
    case 'MOVED':
      return say('dates.act-moved', values);
    case 'RENEWED':
      return say('dates.act-renewed', values);
    case 'DROPPED':
      return say('dates.act-dropped', values);
  }
}

/** A list such as “90, 30, 7” as numbers; what is none of them is kept as one that no server takes. */
export function readDays(text: string): number[] {
  return text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((one) => (/^\d{1,4}$/.test(one) ? Number(one) : -1));
}
