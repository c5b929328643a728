import { expect, test } from 'vitest';
import { since } from './time';

const now = new Date('2027-03-15T12:00:00');

test('how long is said in days', () => {
  expect(since('2027-03-10T23:00:00', now)).toBe('for 5 days');
  expect(since('2027-03-14T01:00:00', now)).toBe('since yesterday');
  expect(since('2027-03-15T09:05:00', now)).toBe('since 09:05');
});
