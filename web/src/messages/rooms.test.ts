import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { say, type RoomCode } from './rooms';
import patterns from './rooms.en.json';

const at = join(import.meta.dirname, '..');
const source = readdirSync(at, { recursive: true, encoding: 'utf8' })
  .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'))
  .map((name) => readFileSync(join(at, name), 'utf8'))
  .join('\n');

it('says numbers and plurals, and nothing for what is not there', () => {
  expect(say('agreements.send-to', { names: 'Ida', more: 0 })).toBe('Send to Ida');
  expect(say('agreements.send-to', { names: 'Ida', more: 2 })).toBe('Send to Ida, then 2 more');
  expect(say('agreements.reason', { endReason: null })).toBe('Reason: ');
});

it('has no message that no room says', () => {
  const codes = Object.keys(patterns) as RoomCode[];
  expect(
    codes.filter((code) => !source.includes(`'${code}'`) && !source.includes(`"${code}"`)),
  ).toEqual([]);
});

it('has only messages that can be said', () => {
  for (const [code, pattern] of Object.entries(patterns)) {
    const values = Object.fromEntries(
      [...pattern.matchAll(/\{(\w+)/g)].map(([, name]) => [name, 1]),
    );
    expect(() => say(code as RoomCode, values), code).not.toThrow();
  }
});
