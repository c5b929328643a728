import { expect, it } from 'vitest';
import { leftWords, overWords, readDays } from './dateWords';
import type { WatchedDate } from './queries';
import { renewalOf } from './renewalOf';
import { readDate, type TypedDate } from './WatchDates';

const typed: TypedDate = {
  key: 'k',
  title: 'Loan ends',
  kind: 'END',
  from: 'end_date',
  unit: 'MONTHS',
  owner: true,
  way: 'before',
  count: 2,
  every: 12,
  warn: '90, 30; 7',
  mails: 'a@example.org b@example.org,',
  teams: ['t1'],
};

it('says how far a day is in words', () => {
  expect([-2, -1, 0, 1, 12].map(leftWords)).toEqual([
    '2 days ago',
    'yesterday',
    'today',
    'tomorrow',
    'in 12 days',
  ]);
});

it('says what became of a date', () => {
  const date = { state: 'RENEWED', renewedBy: 'A-2026-0002' } as WatchedDate;
  expect(overWords(date)).toBe('renewed by A-2026-0002');
  expect(overWords({ ...date, state: 'PAST' })).toBe('over before it was watched');
  expect(overWords({ ...date, state: 'SETTLED' })).toBe('dealt with');
});

it('reads days, and lets the server refuse what is none', () => {
  expect(readDays('90, 30;7')).toEqual([90, 30, 7]);
  expect(readDays(' ')).toEqual([]);
  expect(readDays('soon, a, -3, 1e3')).toEqual([-1, -1, -1, -1]);
});

it('reads a date as it is typed', () => {
  expect(readDate(typed)).toMatchObject({
    shift: -2,
    every: 12,
    warn: [90, 30, 7],
    mails: ['a@example.org', 'b@example.org'],
    teams: ['t1'],
  });
  expect(readDate({ ...typed, way: 'after' }).shift).toBe(2);
  expect(readDate({ ...typed, way: 'on' }).shift).toBe(0);
  expect(readDate({ ...typed, count: NaN, every: NaN })).toMatchObject({ shift: 0, every: 0 });
});

it('leads to a form that begins with the answers of what it renews', () => {
  expect(
    renewalOf('A-2026-0001', {
      template: 't',
      request: 'R-2026-0001-2',
      dates: [],
      without: [],
      renews: null,
      renewals: [],
      goesBy: [],
    }),
  ).toBe('/intake/new/t?from=R-2026-0001-2&renews=A-2026-0001');
});
