import { expect, test } from 'vitest';
import { lasting, shortDate, since, until } from './time';

const now = new Date('2027-03-15T12:00:00');

test('how long is said in days', () => {
  expect(since('2027-03-10T23:00:00', now)).toBe('for 5 days');
  expect(since('2027-03-14T01:00:00', now)).toBe('since yesterday');
  expect(since('2027-03-15T09:05:00', now)).toBe('since 09:05');
});

test('how long until something is said likewise', () => {
  expect(until('2027-03-15T15:00:00', now)).toBe('today 15:00');
  expect(until('2027-03-16T09:00:00', now)).toBe('tomorrow 09:00');
  expect(until('2027-03-27T00:10:00', now)).toBe('in 12 days');
  // what is late is done within the minute
  expect(until('2027-03-14T15:00:00', now)).toBe('today 15:00');
});

test('how long without its beginning, and the day beside it', () => {
  expect(lasting('2027-03-15T11:48:30', now)).toBe('11 min');
  expect(lasting('2027-03-15T08:30:00', now)).toBe('3 hours');
  expect(lasting('2027-03-14T11:00:00', now)).toBe('1 day');
  expect(lasting('2027-03-10T12:00:00', now)).toBe('5 days');
  // a clock that is a little behind
  expect(lasting('2027-03-15T12:00:20', now)).toBe('0 min');
  expect(shortDate('2027-03-10T12:00:00', now)).toBe('10 Mar');
  expect(shortDate('2026-12-31T12:00:00', now)).toBe('31 Dec 2026');
});
