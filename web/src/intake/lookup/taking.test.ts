import { expect, test } from 'vitest';
import { readItems } from '../composite';
import { withItem, withTaken } from './taking';

const row = (id: string) => ({ row: id, label: id, said: { a: id }, answers: { a: id } });

test('an item is added to those that are there', () => {
  const one = withItem('', { title: 'Viola' });
  expect(readItems(withItem(one, { title: 'Harp' }))).toEqual([
    { title: 'Viola' },
    { title: 'Harp' },
  ]);
});

test('a question has the row that was chosen last; a list has all of them, each once', () => {
  const first = withTaken([], 'lender', row('r1'), false);
  expect(withTaken(first, 'lender', row('r2'), false)).toEqual([
    { question: 'lender', row: 'r2', said: { a: 'r2' } },
  ]);
  const items = withTaken(withTaken(first, 'objects', row('o1'), true), 'objects', row('o2'), true);
  expect(items.map((one) => one.row)).toEqual(['r1', 'o1', 'o2']);
  expect(withTaken(items, 'objects', row('o1'), true).map((one) => one.row)).toEqual([
    'r1',
    'o2',
    'o1',
  ]);
});
