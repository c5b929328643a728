import type { Schemas } from '../api/client';
import { lastMoment } from '../ui/lastMoment';

type Calendar = Schemas['RouteCalendar'];
export type Moment = Schemas['Moment'];

/** A day of the office's calendar. */
export type Day = {
  /** As `2026-11-26`. */
  iso: string;
  moments: Moment[];
  closed: boolean;
  /** What the holiday is called; empty on a day that is none. */
  holiday: string;
};

/** A week with something in it, from Monday; or so many weeks with nothing. */
export type Row = { week: Day[] } | { quiet: number };

const DAY = 24 * 60 * 60 * 1000;

/** The day of a moment on the office's clock, as `2026-11-26`. */
export function dayOf(at: string, zone: string): string {
  return new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' }).format(
    new Date(at),
  );
}

/** The time of a moment on the office's clock, as `08:00`. */
export function timeOf(at: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeStyle: 'short' }).format(
    new Date(at),
  );
}

/** What ends with a day is shown on the last day on which it can still be done. */
const shownOn = (moment: Moment, zone: string) =>
  dayOf(moment.kind === 'EXPIRY' ? lastMoment(moment.at) : moment.at, zone);

const monday = (iso: string) => {
  const at = new Date(`${iso}T00:00:00Z`).getTime();
  return at - ((new Date(at).getUTCDay() + 6) % 7) * DAY;
};

/** The weeks of a route, those with nothing in them put together. Days are counted in UTC, where all have the same length. */
export function weeksOf(calendar: Calendar): Row[] {
  const { zone, moments } = calendar;
  const byDay = new Map<string, Moment[]>();
  for (const moment of moments) {
    const day = shownOn(moment, zone);
    byDay.set(day, [...(byDay.get(day) ?? []), moment]);
  }
  const days = [...byDay.keys()].sort();
  const [first, last] = [days[0], days.at(-1)];
  if (!first || !last) return [];
  const closed = new Map(calendar.closed.map(({ day, name }) => [day, name]));
  const rows: Row[] = [];
  for (let at = monday(first); at <= monday(last); at += 7 * DAY) {
    const week = [0, 1, 2, 3, 4, 5, 6].map((step): Day => {
      const iso = new Date(at + step * DAY).toISOString().slice(0, 10);
      return {
        iso,
        moments: byDay.get(iso) ?? [],
        closed: closed.has(iso),
        holiday: closed.get(iso) ?? '',
      };
    });
    const before = rows.at(-1);
    if (week.some((day) => day.moments.length)) rows.push({ week });
    else if (before && 'quiet' in before) before.quiet += 1;
    else rows.push({ quiet: 1 });
  }
  return rows;
}
