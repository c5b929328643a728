import { expect, test } from 'vitest';
import { placeAt } from './placeAt';
import type { Thing } from './thing';

const sheet = {
  url: '',
  printed: [],
  pages: { sizes: [{ width: 600, height: 800 }], fields: [] },
};
const thing = (key: string, x: number, y: number, width: number, spans = false): Thing => ({
  key,
  label: key,
  lines: [{ page: 1, x, y, width, height: 20 }],
  spans,
});
const things = [
  thing('list', 60, 600, 400),
  thing('value', 100, 600, 50),
  thing('passage', 60, 500, 400, true),
];

test('the smallest thing at a point is meant', () => {
  expect(placeAt(things, sheet, 1, 110 / 600, 1 - 610 / 800)).toBe('value');
  expect(placeAt(things, sheet, 1, 300 / 600, 1 - 610 / 800)).toBe('list');
});

test('words of a passage stay words to choose, and nothing is nothing', () => {
  expect(placeAt(things, sheet, 1, 110 / 600, 1 - 510 / 800)).toBeUndefined();
  expect(placeAt(things, sheet, 1, 0.99, 0.99)).toBeUndefined();
  expect(placeAt(things, sheet, 2, 110 / 600, 1 - 610 / 800)).toBeUndefined();
});
