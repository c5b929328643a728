import { expect, test } from 'vitest';
import { changedBands } from './changed';

const drawing = (rows: number, marked: number[]) => {
  const data = new Uint8ClampedArray(rows * 4 * 4).fill(255);
  for (const row of marked) data[row * 16 + 5] = 0;
  return data;
};

test('what differs is told in bands from the top down', () => {
  const before = drawing(1000, []);
  expect(changedBands(before, before, 4, 1000)).toEqual([]);
  expect(changedBands(before, drawing(1000, [10, 15, 500]), 4, 1000)).toEqual([
    { top: 0.01, bottom: 0.016 },
    { top: 0.5, bottom: 0.501 },
  ]);
});

test('drawings of different sizes are not compared', () => {
  expect(changedBands(drawing(10, []), drawing(20, [3]), 4, 10)).toEqual([]);
});
