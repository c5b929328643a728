import { describe, expect, it } from 'vitest';
import { allOf } from './all';
import { newKey } from './key';

describe('a list to choose from', () => {
  for (const total of [0, 1, 50, 51, 120]) {
    it(`has all ${total}`, async () => {
      const all = Array.from({ length: total }, (_, i) => i);
      const found = await allOf((page) =>
        Promise.resolve({ items: all.slice(page * 50, page * 50 + 50), total }),
      );
      expect(found).toEqual(all);
    });
  }
});

describe('a form’s key', () => {
  it('is a UUID and another one each time', () => {
    expect(newKey()).toMatch(
      /^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/,
    );
    expect(newKey()).not.toBe(newKey());
  });
});
