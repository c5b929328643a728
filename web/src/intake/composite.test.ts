import { expect, it } from 'vitest';
import { joinParts, readItems, splitParts, writeItems } from './composite';

it('keeps parts apart whatever is typed in them', () => {
  const parts = ['Marsh;Oake', 'Ida', '', 'a\\b', 'two\nlines'];
  expect(splitParts(joinParts(parts), 5)).toEqual(parts);
  expect(joinParts(['Marsh', 'Ida', '', 'Dr', ''])).toBe('Marsh;Ida;;Dr;');
});

it('is blank when every part is blank', () => {
  expect(joinParts(['', ' ', ''])).toBe('');
  expect(splitParts('', 3)).toEqual(['', '', '']);
});

it('reads and writes items, blanks left out', () => {
  const text = writeItems([{ title: 'Viola', value: '' }, { title: 'Bow' }]);
  expect(text).toBe('[{"title":"Viola"},{"title":"Bow"}]');
  expect(readItems(text)).toHaveLength(2);
  expect(readItems('no list')).toEqual([]);
  expect(writeItems([])).toBe('');
});
