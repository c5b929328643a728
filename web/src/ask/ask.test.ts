import { expect, test } from 'vitest';
import { inAddress } from './address';
import { isDone, look } from './errand';

// found with Python's hashlib, SHA-256 of FIPS 180-4; the server's test has the same
const ERRAND = '7b0c9d0e-46de-4f10-9d83-0f0b5a1e7a11.1803891600000.x';

test('the number that is found fits its errand and no other', async () => {
  expect(await look(ERRAND, 15, () => false)).toBe('60523');
  const found = await look(ERRAND, 10, () => false);
  expect(isDone(ERRAND, found, 10)).toBe(true);
  for (let before = 0; before < Number(found); before++)
    expect(isDone(ERRAND, String(before), 10)).toBe(false);
  expect(isDone(`${ERRAND}x`, found, 10)).toBe(false);
});

test('zero bits are counted from the first one', () => {
  // sha-256 of "abc:0" begins with 0x4e: one zero bit
  const zero = [...Array(200).keys()].filter((one) => isDone('abc', String(one), 1)).length;
  expect(zero).toBeGreaterThan(60);
  expect(zero).toBeLessThan(140);
  expect(isDone('abc', '0', 0)).toBe(true);
});

test('who stops looking is let go', async () => {
  let over = false;
  const found = look('x', 60, () => over).then(() => 'found');
  over = true;
  const first = await Promise.race([found, new Promise((done) => setTimeout(done, 30, 'stopped'))]);
  expect(first).toBe('stopped');
});

test('answers stand in the address one by one, together, and sealed', () => {
  const together = btoa(String.fromCharCode(...new TextEncoder().encode('{"a":"1","b":"Márquez"}')))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '');
  expect(inAddress(`?with=${together}&a=2&answers=abc.def&go=secret&language=nl`)).toEqual({
    sealed: 'abc.def',
    go: 'secret',
    open: { a: '2', b: 'Márquez' },
  });
  expect(inAddress('?with=%%%').open).toEqual({});
  expect(inAddress(`?with=${btoa('[1]')}`).open).toEqual({});
  expect(inAddress('')).toEqual({ sealed: '', go: '', open: {} });
});
