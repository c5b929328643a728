import { describe, expect, it } from 'vitest';
import { fresher, withRows, withTaken, type Taken } from './records';

const taken = (field: string, from: string, rows = '', text = ''): Taken => ({
  field,
  rows,
  from,
  text,
});

describe('what fields are taken from', () => {
  it('is one source for each field, and none where nothing is said', () => {
    const one = withTaken([taken('a', '/x')], 'a', { rows: '', from: '/y', text: '' });
    expect(one).toEqual([taken('a', '/y')]);
    expect(withTaken(one, 'a', { rows: '', from: '', text: '' })).toEqual([]);
    expect(withTaken(one, 'b', { rows: '', from: '', text: 'always' })).toHaveLength(2);
  });

  it('moves all items of a list to other rows', () => {
    const all = [
      taken('a', '/x'),
      taken('items.b', '/y', 'rows'),
      taken('itemsmore.c', '/z', 'rows'),
    ];
    expect(withRows(all, 'items', 'others').map(({ rows }) => rows)).toEqual([
      '',
      'others',
      'rows',
    ]);
    expect(withRows(all, 'items', '')).toHaveLength(2);
  });

  it('is proposed where nothing was said, from the rows that the list has', () => {
    const all = [taken('a', '/x'), taken('items.b', '/y', 'rows')];
    const proposed = [
      taken('a', '/other'),
      taken('d', '/d'),
      taken('items.c', '/c', 'rows'),
      taken('items.e', '/e', 'others'),
    ];
    expect(fresher(all, proposed).map(({ field }) => field)).toEqual(['d', 'items.c']);
  });
});
