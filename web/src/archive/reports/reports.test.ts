import { expect, it } from 'vitest';
import { fileOf } from './Picture';
import { phaseWords, shortMonth, spentWords, twelveMonths } from './reportWords';

it('says how long something took in the unit that tells most', () => {
  const minute = 1 / 24 / 60;
  expect(
    [0, minute, 59 * minute, 60 * minute, 1, 1.99, 2, 3.24, 9.94, 9.96, 123.4].map(spentWords),
  ).toEqual([
    'under 1 min',
    '1 min',
    '59 min',
    '1 hour',
    '24 hours',
    '2 days',
    '2 days',
    '3.2 days',
    '9.9 days',
    '10 days',
    '123 days',
  ]);
});

it('reaches back so that the running month is the twelfth', () => {
  expect(twelveMonths(new Date(2027, 2, 31))).toBe('2026-04-01');
  expect(twelveMonths(new Date(2027, 11, 1))).toBe('2027-01-01');
  expect(twelveMonths(new Date(2027, 0, 15))).toBe('2026-02-01');
});

it('calls a party’s turn after the party', () => {
  expect(phaseWords({ phase: 'ACTED', label: 'Lender' })).toBe('Lender');
  expect(shortMonth('2027-03')).toBe('Mar 2027');
  expect(phaseWords({ phase: 'PREPARED', label: '' })).toBe('Made and checked');
});

it('asks for a file of what is shown', () => {
  expect(fileOf('TIMES', {})).toBe('/api/v1/archive/reports/TIMES/picture');
  expect(fileOf('ENDINGS', { template: 't', from: '2027-01-01' }, 'CSV')).toBe(
    '/api/v1/archive/reports/ENDINGS/table?template=t&from=2027-01-01&format=CSV',
  );
});
