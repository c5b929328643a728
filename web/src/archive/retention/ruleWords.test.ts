import { expect, test } from 'vitest';
import { keptFor, monthsOf, ruleWords, typedTime } from './ruleWords';

test('months are read as they are said', () => {
  for (const months of [0, 1, 6, 12, 18, 120])
    expect(monthsOf(typedTime(months)), String(months)).toBe(months);
});

test('what is no length of time is refused by the server and never taken for ever', () => {
  for (const count of [0, -1, 1.5, Number.NaN])
    expect(monthsOf({ count, unit: 'MONTHS' })).toBeLessThan(0);
  expect(monthsOf({ count: Number.NaN, unit: 'EVER' })).toBe(0);
});

test('a rule says how long each is kept', () => {
  expect(keptFor(1)).toBe('1 month');
  expect(keptFor(18)).toBe('18 months');
  expect(keptFor(12)).toBe('1 year');
  expect(ruleWords({ completed: 120, inVain: 0, yearEnd: true })).toMatch(
    /10 years.*for ever.*end of that year/,
  );
  expect(ruleWords({ completed: 0, inVain: 0, yearEnd: true })).toBe(
    'All of them are kept for ever.',
  );
  expect(ruleWords({ completed: 0, inVain: 6, yearEnd: false })).not.toMatch(/year/);
});
