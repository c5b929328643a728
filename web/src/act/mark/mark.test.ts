// @vitest-environment jsdom
import { afterEach, expect, it, vi } from 'vitest';
import { forgetMarks, keepMarks, keptMarks } from './keptMarks';
import { initialsOf } from './Marks';
import { strokesOnly } from './ofPicture';

afterEach(() => {
  vi.restoreAllMocks();
  localStorage.clear();
});

/** A grey picture, as light as it is said at each point. */
function picture(width: number, height: number, light: (x: number, y: number) => number) {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      data.set([...Array<number>(3).fill(light(x, y)), 255], (y * width + x) * 4);
  return data;
}

const inkAt = (data: Uint8ClampedArray, width: number, x: number, y: number) =>
  data[(y * width + x) * 4 + 3] ?? 0;

it('takes the paper away, also where a shadow lies on it, and leaves the strokes', () => {
  const [width, height] = [200, 120];
  const paper = (x: number) => 235 - x * 0.6;
  const stroke = (y: number) => y >= 58 && y < 62;
  const data = picture(width, height, (x, y) => (stroke(y) ? paper(x) * 0.3 : paper(x)));
  strokesOnly(data, width, height);
  for (const x of [5, 100, 195]) {
    expect(inkAt(data, width, x, 60), `the stroke at ${x}`).toBeGreaterThan(200);
    expect(inkAt(data, width, x, 20), `the paper at ${x}`).toBeLessThan(60);
  }
});

it('finds nothing on an empty paper, and nothing in what was transparent', () => {
  const empty = picture(64, 64, () => 180);
  strokesOnly(empty, 64, 64);
  expect(Math.max(...empty.filter((_, i) => i % 4 === 3))).toBe(0);
  const clear = new Uint8ClampedArray(64 * 64 * 4);
  strokesOnly(clear, 64, 64);
  expect(Math.max(...clear.filter((_, i) => i % 4 === 3))).toBe(0);
});

it('knows the paper beside a blot that fills a tile', () => {
  const blot = (x: number, y: number) => x >= 32 && x < 64 && y >= 32 && y < 64;
  const data = picture(128, 128, (x, y) => (blot(x, y) ? 20 : 240));
  strokesOnly(data, 128, 128);
  expect(inkAt(data, 128, 48, 48)).toBe(255);
});

it('keeps marks for who has this name, and nobody else', () => {
  const mark = { how: 'drawn', picture: 'iVBORw0KGgo=' };
  keepMarks({ name: 'Ida Marsh', mark, initials: mark });
  expect(keptMarks('Ida Marsh')?.initials).toEqual(mark);
  expect(keptMarks('Jon Reed')).toBeUndefined();
  forgetMarks();
  expect(keptMarks('Ida Marsh')).toBeUndefined();
});

it('takes nothing that it has not kept itself', () => {
  for (const kept of [
    '{',
    'null',
    '[]',
    '{"name":"Ida Marsh"}',
    '{"name":"Ida Marsh","mark":{"how":"drawn","picture":"\\" onerror="}}',
  ]) {
    localStorage.setItem('jalousie.marks', kept);
    expect(keptMarks('Ida Marsh'), kept).toBeUndefined();
  }
});

it('does without a browser that keeps nothing', () => {
  vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full');
  });
  vi.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
    throw new Error('not allowed');
  });
  keepMarks({ name: 'Ida Marsh', mark: { how: 'drawn', picture: 'AA==' } });
  expect(keptMarks('Ida Marsh')).toBeUndefined();
});

it.each([
  ['Ida Marsh', 'IM'],
  ['  Jean-Luc  de Vries ', 'JLDV'],
  ['Łucja', 'Ł'],
  ['', ''],
])('has initials of %j', (name, initials) => expect(initialsOf(name)).toBe(initials));
