import { describe, expect, it } from 'vitest';
import { columnOf, heightOf, PAGE_GAP, placesOf } from './thing';

const line = (x: number, y: number, page = 1) => ({ page, x, y, width: 40, height: 12 });
const sizes = [
  { width: 100, height: 200 },
  { width: 200, height: 100 },
];

describe('pages in one column', () => {
  it('stand under one another, each in its own proportion', () => {
    const column = columnOf(sizes, 300);
    expect(column.pages.map(({ top, height }) => [top, height])).toEqual([
      [0, 600],
      [600 + PAGE_GAP, 150],
    ]);
    expect(column.height).toBe(750 + PAGE_GAP);
    expect(heightOf(column, { page: 2, x: 0, y: 40, width: 5, height: 20 })).toBe(
      600 + PAGE_GAP + 75,
    );
  });

  it('have no height without pages, and no place on a page that is not there', () => {
    expect(columnOf([], 300)).toEqual({ width: 300, pages: [], height: 0 });
    expect(heightOf(columnOf(sizes, 300), line(0, 0, 7))).toBe(0);
  });
});

describe('the places of a thing', () => {
  it('are one for a value that goes on in the next line', () => {
    const lines = [line(400, 700), line(70, 686), line(70, 500)];
    expect(placesOf({ lines, spans: false }).map(({ y }) => y)).toEqual([700, 500]);
  });

  it('are two for a value that stands twice under itself', () => {
    const lines = [line(70, 700), line(70, 686)];
    expect(placesOf({ lines, spans: false })).toHaveLength(2);
  });

  it('are one on each page for what stands over whole lines', () => {
    const lines = [line(70, 600, 2), line(70, 700), line(70, 400), line(70, 500, 2)];
    expect(placesOf({ lines, spans: true }).map(({ page, y }) => [page, y])).toEqual([
      [1, 700],
      [2, 600],
    ]);
  });
});
