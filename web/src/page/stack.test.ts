import { expect, test } from 'vitest';
import { stacked } from './stack';

const notes = (...wishes: number[]) => wishes.map((wish) => ({ wish, height: 20 }));

test('notes stay at their wished height while there is room', () => {
  expect(stacked(notes(10, 100), 4)).toEqual([10, 100]);
  expect(stacked([], 4)).toEqual([]);
});

test('notes that would cover each other stand evenly about their places', () => {
  expect(stacked(notes(110, 112, 114), 4)).toEqual([88, 112, 136]);
});

test('the order on the page decides, not the order of the list', () => {
  expect(stacked(notes(50, 40), 0)).toEqual([55, 35]);
});

test('none stands above the page, and those below make room', () => {
  expect(stacked(notes(-4, 2, 30), 4)).toEqual([0, 24, 48]);
});

test('no two overlap, and none is further off than a stack from the top down would put it', () => {
  let seed = 20261126;
  const next = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  for (let round = 0; round < 200; round++) {
    const some = Array.from({ length: Math.floor(next() * 30) }, () => ({
      wish: next() * 800,
      height: 18 + next() * 12,
    })).sort((a, b) => a.wish - b.wish);
    const tops = stacked(some, 4);
    let free = 0;
    let off = 0;
    let offDown = 0;
    some.forEach((note, i) => {
      const top = tops[i] ?? 0;
      const before = some[i - 1];
      if (before) expect(top).toBeGreaterThanOrEqual((tops[i - 1] ?? 0) + before.height + 3.999);
      const down = Math.max(note.wish, free);
      free = down + note.height + 4;
      off += (top - note.wish) ** 2;
      offDown += (down - note.wish) ** 2;
    });
    expect(off).toBeLessThanOrEqual(offDown + 1e-6);
  }
});

test('notes keep between a floor and a ceiling', () => {
  expect(stacked(notes(0, 5, 200), 4, 30)).toEqual([30, 54, 200]);
  expect(stacked(notes(80, 90), 4, 0, 100)).toEqual([56, 80]);
  // where there is no room the floor counts
  expect(stacked(notes(80, 90), 4, 70, 100)).toEqual([70, 94]);
});
