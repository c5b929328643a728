import { expect, test } from 'vitest';
import { cellReach, mmOf, pointsOf, sizedByKey, snapped } from './boxSize';

const size = (widthMm: number, heightMm: number) => ({ widthMm, heightMm });

test('a size goes in half millimetres where nothing is near', () => {
  expect(snapped(size(43.3, 12.1), [], [])).toEqual(size(43.5, 12));
});

test('a side takes the measure of others of its kind, and the nearest of several', () => {
  expect(snapped(size(58.9, 15.8), [size(60, 15), size(58, 20)], [])).toEqual(size(58, 15));
  expect(snapped(size(52, 30), [size(60, 15)], [])).toEqual(size(52, 30));
});

test('the width ends where a line of words ends', () => {
  expect(snapped(size(80.9, 15), [], [82.13])).toEqual(size(82.1, 15));
});

test('a size stays one that the server takes', () => {
  expect(snapped(size(-3, 400), [], [])).toEqual(size(5, 80));
  expect(snapped(size(179.5, 4.2), [], [181])).toEqual(size(179.5, 4));
});

test('keys change a side by a millimetre, with Shift by five', () => {
  const from = size(60, 15);
  expect(sizedByKey(from, { key: 'ArrowRight', shiftKey: false })).toEqual(size(61, 15));
  expect(sizedByKey(from, { key: 'ArrowUp', shiftKey: true })).toEqual(size(60, 10));
  expect(sizedByKey(from, { key: 'a', shiftKey: false })).toBeUndefined();
});

test('millimetres and points are turned into each other', () => {
  expect(mmOf(pointsOf(60))).toBeCloseTo(60);
  expect(pointsOf(25.4)).toBeCloseTo(72);
});

test('the width ends where the cell does, with as much room as on its other side', () => {
  const upright = (x: number, y1: number, y2: number, page = 1) => ({ page, x1: x, y1, x2: x, y2 });
  const place = { page: 1, x: 106, y: 500, width: 60, height: 20 };
  const cell = [upright(100, 480, 560), upright(300, 480, 560), upright(400, 480, 560)];
  expect(cellReach(place, cell)[0]).toBeCloseTo(mmOf(300 - 6 - 106));
  expect(cellReach(place, [])).toEqual([]);
  expect(cellReach(place, [upright(100, 480, 560)])).toEqual([]);
  expect(cellReach(place, [upright(100, 480, 560, 2), upright(300, 480, 560, 2)])).toEqual([]);
  expect(cellReach(place, [upright(100, 600, 660), upright(300, 480, 560)])).toEqual([]);
  // words stand between the side of the cell and the place
  expect(cellReach({ ...place, x: 180 }, cell)).toEqual([]);
});
