import { expect, it } from 'vitest';
import { comparisonsOf, joined, numberFault, toFeel } from './condition';

it('writes a comparison of each type in FEEL', () => {
  expect(toFeel({ name: 'insured_value', type: 'MONEY' }, 'more', 'EUR 250,000')).toBe(
    'insured_value > 250000',
  );
  expect(toFeel({ name: 'country', type: 'TEXT' }, 'is_not', 'G"B')).toBe('country != "G\\"B"');
  expect(toFeel({ name: 'start', type: 'DATE' }, 'after', '2027-03-15')).toBe(
    'start > date("2027-03-15")',
  );
  expect(toFeel({ name: 'objects', type: 'ITEMS' }, 'many', '3')).toBe('count(objects) > 3');
  expect(toFeel({ name: 'abroad', type: 'YES_NO' }, 'no', '')).toBe('not(abroad = true)');
  expect(toFeel({ name: 'note', type: 'TEXT' }, 'blank', '')).toBe('note = null');
});

it('writes nothing for a value that is missing or of another type', () => {
  expect(toFeel({ name: 'fee', type: 'MONEY' }, 'more', 'much')).toBe('');
  expect(toFeel({ name: 'start', type: 'DATE' }, 'after', '15.3.2027')).toBe('');
  expect(toFeel({ name: 'country', type: 'TEXT' }, 'is', '  ')).toBe('');
});

it('joins conditions so that "and" and "or" keep their meaning', () => {
  expect(joined('', 'and', 'a')).toBe('a');
  expect(joined('a', 'and', 'b')).toBe('a and b');
  expect(joined('a or b', 'and', 'c')).toBe('(a or b) and c');
});

it('offers comparisons that fit the type', () => {
  expect(comparisonsOf('YES_NO').map((one) => one.words)).toEqual(['is yes', 'is not yes']);
});

it('a number that could be meant in two ways is not taken, and both are shown', () => {
  expect(toFeel({ name: 'fee', type: 'MONEY' }, 'more', 'EUR 12,50')).toBe('');
  expect(numberFault('MONEY', 'EUR 12,50')).toContain('12.50 or 1250');
  expect(numberFault('NUMBER', '1.250,50')).toContain('1250.50');
  expect(numberFault('NUMBER', '250,000')).toBe('');
  expect(numberFault('TEXT', '12,50')).toBe('');
});
