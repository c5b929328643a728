import { expect, test } from 'vitest';
import { arranged, cellAt, snappedBox } from './snapping';

const box = (x: number, y: number, width = 40, height = 10) => ({ page: 1, x, y, width, height });
const line = (x1: number, y1: number, x2: number, y2: number) => ({ page: 1, x1, y1, x2, y2 });

test('an edge that comes near another goes there, and says what it is level with', () => {
  const snapped = snappedBox(box(102, 301), [box(100, 400)], []);
  expect(snapped.box.x).toBe(100);
  expect(snapped.box.y).toBe(301);
  expect(snapped.guides).toEqual([{ x: 100 }]);
});

test('what is on another page or further away holds nothing', () => {
  expect(snappedBox(box(102, 301), [{ ...box(100, 301), page: 2 }], []).guides).toEqual([]);
  expect(snappedBox(box(110, 320), [box(100, 301)], []).guides).toEqual([]);
});

test('lines that the page draws hold too', () => {
  const snapped = snappedBox(box(50, 98), [], [line(0, 100, 500, 100)]);
  expect(snapped.box.y).toBe(100);
});

const cell = [
  line(100, 100, 100, 140),
  line(300, 100, 300, 140),
  line(100, 100, 300, 100),
  line(100, 140, 300, 140),
];

test('a point in a cell is given the cell, with a little room left', () => {
  const found = cellAt(1, 150, 120, cell);
  expect(found?.x).toBeGreaterThan(100);
  expect((found?.x ?? 0) + (found?.width ?? 0)).toBeLessThan(300);
  expect(found?.height).toBeLessThan(40);
});

test('a point beside a cell, or in a frame as large as the page, is given none', () => {
  expect(cellAt(1, 50, 120, cell)).toBeUndefined();
  expect(cellAt(2, 150, 120, cell)).toBeUndefined();
  const frame = [
    line(10, 10, 10, 800),
    line(585, 10, 585, 800),
    line(10, 10, 585, 10),
    line(10, 800, 585, 800),
  ];
  expect(cellAt(1, 150, 120, frame)).toBeUndefined();
});

test('boxes are brought in line with the first', () => {
  expect(arranged([box(10, 50), box(14, 20)], 'left').map(({ x }) => x)).toEqual([10, 10]);
  // upper edges, whatever their heights
  expect(arranged([box(10, 50), box(14, 20, 40, 30)], 'top').map(({ y }) => y)).toEqual([50, 30]);
});

test('three are spread so that what is between them is even, whatever order they were chosen in', () => {
  const spread = arranged([box(200, 0), box(0, 0), box(50, 0)], 'across');
  expect(spread.map(({ x }) => x)).toEqual([200, 0, 100]);
  expect(arranged([], 'down')).toEqual([]);
});
