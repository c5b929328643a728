import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { dayOf, timeOf, weeksOf, type Moment } from './weeks';

const moment = (at: string, kind: Moment['kind'], happened = false): Moment => ({
  at,
  kind,
  parties: ['lender'],
  happened,
});

const calendar = (moments: Moment[], zone = 'Europe/Amsterdam'): Schemas['RouteCalendar'] => ({
  zone,
  now: '2026-11-26T12:00:00Z',
  opens: '08:00:00',
  closes: '18:00:00',
  moments,
  closed: [{ day: '2026-12-25', name: 'Christmas Day' }],
});

it('has weeks from Monday, and puts those with nothing together', () => {
  const rows = weeksOf(
    calendar([
      moment('2026-11-26T09:00:00Z', 'SENT'),
      moment('2026-12-01T07:00:00Z', 'REMINDER'),
      moment('2026-12-26T23:00:00Z', 'EXPIRY'),
    ]),
  );
  expect(rows.map((row) => ('quiet' in row ? row.quiet : row.week[0]?.iso))).toEqual([
    '2026-11-23',
    '2026-11-30',
    2,
    '2026-12-21',
  ]);
  const last = rows.at(-1);
  if (!last || 'quiet' in last) throw new Error('no week');
  expect(last.week.find(({ moments }) => moments.length)?.iso).toBe('2026-12-26');
  expect(last.week.filter(({ closed }) => closed).map(({ holiday }) => holiday)).toEqual([
    'Christmas Day',
  ]);
});

it('goes by the office’s clock over both changes of it', () => {
  expect(dayOf('2026-03-28T23:30:00Z', 'Europe/Amsterdam')).toBe('2026-03-29');
  expect(timeOf('2026-03-29T06:00:00Z', 'Europe/Amsterdam')).toBe('08:00');
  expect(timeOf('2026-10-25T07:00:00Z', 'Europe/Amsterdam')).toBe('08:00');
  expect(dayOf('2026-11-26T03:00:00Z', 'America/New_York')).toBe('2026-11-25');
  const october = weeksOf(
    calendar([moment('2026-10-19T07:00:00Z', 'SENT'), moment('2026-11-02T08:00:00Z', 'REMINDER')]),
  );
  expect(october).toHaveLength(3);
});

it('is empty where nothing happens', () => {
  expect(weeksOf(calendar([]))).toEqual([]);
});
