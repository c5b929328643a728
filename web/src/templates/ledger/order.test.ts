import { expect, test } from 'vitest';
import { ordered } from './order';

const rows = [
  { label: 'Loan 10', places: 2 },
  { label: 'Loan 9', places: 11 },
  { label: 'Lender', places: 3 },
];
const columns = [
  { id: 'label', sort: (row: (typeof rows)[number]) => row.label },
  { id: 'places', sort: (row: (typeof rows)[number]) => row.places },
  { id: 'tag' },
];
const labels = (sort: string, find = '') =>
  ordered(rows, columns, sort, find, (row) => row.label).map(({ label }) => label);

test('rows come in the order of a column, either way, numbers as numbers', () => {
  expect(labels('label')).toEqual(['Lender', 'Loan 9', 'Loan 10']);
  expect(labels('-label')).toEqual(['Loan 10', 'Loan 9', 'Lender']);
  expect(labels('places')).toEqual(['Loan 10', 'Lender', 'Loan 9']);
});

test('an order that nobody knows is the template’s own', () => {
  expect(labels('')).toEqual(['Loan 10', 'Loan 9', 'Lender']);
  expect(labels('tag')).toEqual(labels(''));
  expect(labels('nonsense')).toEqual(labels(''));
});

test('the filter looks at the words', () => {
  expect(labels('label', ' LOAN ')).toEqual(['Loan 9', 'Loan 10']);
  expect(labels('', 'no such')).toEqual([]);
});
