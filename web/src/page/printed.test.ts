import { describe, expect, it } from 'vitest';
import { brackets, byKey, keyOf, type Line } from './printed';

const line = (y: number, page = 1): Line => ({ page, x: 70, y, width: 40, height: 14 });
const value = (name: string, y: number, page = 1) => ({
  kind: 'VALUE' as const,
  name,
  list: '',
  number: -1,
  items: [],
  ...line(y, page),
});

describe('what was printed on a page', () => {
  it('is told apart by what put it there, over all pages', () => {
    const all = [value('a', 700), value('b', 680), value('a', 600), value('a', 700, 2)];
    const lines = byKey(all);
    expect([...lines.keys()]).toEqual(['a', 'b']);
    expect(lines.get('a')?.map((one) => one.page)).toEqual([1, 1, 2]);
    expect(lines.get('c')).toBeUndefined();
  });

  it('is not mixed up where a field has the name of a passage', () => {
    expect(keyOf({ kind: 'PASSAGE', name: '', list: '', number: 3 })).toBe('passage-3');
    expect(keyOf({ kind: 'CLAUSE', name: '', list: '', number: 3 })).toBe('clause-3');
    expect(keyOf({ kind: 'VALUE', name: 'passage_3', list: '', number: -1 })).toBe('passage_3');
    expect(keyOf({ kind: 'VALUE', name: 'title', list: 'objects', number: -1 })).toBe(
      'objects.title',
    );
  });

  it('has a bracket over the whole height of each passage, none over another', () => {
    const things = [
      { key: 'inner', lines: [line(650)] },
      { key: 'beside', lines: [line(640)] },
      { key: 'outer', lines: [line(700), line(600)] },
      { key: 'below', lines: [line(500)] },
      { key: 'same', lines: [line(500)] },
      { key: 'gone', lines: [] },
    ];
    expect(brackets(things)).toEqual([
      { keys: ['outer'], top: 714, bottom: 600, depth: 0 },
      { keys: ['inner'], top: 664, bottom: 650, depth: 1 },
      { keys: ['beside'], top: 654, bottom: 640, depth: 2 },
      { keys: ['below', 'same'], top: 514, bottom: 500, depth: 0 },
    ]);
  });
});
