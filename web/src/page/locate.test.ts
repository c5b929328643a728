import { expect, test, vi } from 'vitest';
import { locate } from './viewer';

vi.mock('pdfjs-dist', () => ({ GlobalWorkerOptions: {} }));
vi.mock('pdfjs-dist/build/pdf.worker.min.mjs?url', () => ({ default: '' }));

const page = { width: 200, height: 100 };
const piece = (text: string, x: number, y: number) => ({
  text,
  x,
  y,
  width: text.length * 10,
  height: 10,
});

test('a value is found where it stands', () => {
  const [match] = locate([piece('for Ida', 0, 50)], page, [{ key: 'name', text: 'Ida' }]);
  expect(match).toMatchObject({ key: 'name', top: 40 });
  expect(match?.left).toBeCloseTo(17.8, 0);
});

test('a value cut into pieces, as over a line end, is marked in each piece', () => {
  const matches = locate([piece('to Ida', 0, 50), piece('Marsh,', 0, 30)], page, [
    { key: 'name', text: 'Ida Marsh' },
  ]);
  expect(matches.map((match) => match.top)).toEqual([40, 60]);
});

test('a value that is not on the page is not marked', () => {
  expect(locate([piece('nothing', 0, 0)], page, [{ key: 'name', text: 'Ida' }])).toEqual([]);
});

test('a short value inside a longer word is not marked', () => {
  const found = locate([piece('is not exclusive, no', 0, 0)], page, [{ key: 'a', text: 'no' }]);
  expect(found).toHaveLength(1);
});
