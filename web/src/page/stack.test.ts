import { expect, test } from 'vitest';
import { stacked } from './stack';

test('notes stay at their wished height while there is room', () => {
  expect(
    stacked(
      [
        { wish: 10, height: 20 },
        { wish: 100, height: 20 },
      ],
      4,
    ),
  ).toEqual([10, 100]);
});

test('a note that would cover another moves down just below it', () => {
  expect(
    stacked(
      [
        { wish: 10, height: 20 },
        { wish: 12, height: 20 },
        { wish: 13, height: 20 },
      ],
      4,
    ),
  ).toEqual([10, 34, 58]);
});

test('the order on the page decides, not the order of the list', () => {
  expect(
    stacked(
      [
        { wish: 50, height: 20 },
        { wish: 40, height: 20 },
      ],
      0,
    ),
  ).toEqual([60, 40]);
});
