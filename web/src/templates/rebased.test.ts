import { describe, expect, it } from 'vitest';
import { rebased } from './rebased';
import type { Settings } from './useTemplate';

const field = (name: string, label = name) => ({ name, label });
const settings = (part: object) =>
  ({
    language: 'en-GB',
    fields: [field('a'), field('b')],
    rules: [],
    ...part,
  }) as unknown as Settings;
const before = settings({});

describe('what is typed while something else changes', () => {
  it('stays, and what came meanwhile stays too', () => {
    const typed = settings({ fields: [field('a', 'Who lends'), field('b')] });
    const now = settings({
      fields: [field('a'), field('b'), field('c', 'Day of return to Oudehaven')],
    });
    expect(rebased(before, typed, now).fields).toEqual([
      field('a', 'Who lends'),
      field('b'),
      field('c', 'Day of return to Oudehaven'),
    ]);
  });

  it('stays for each part by itself', () => {
    const typed = settings({ language: 'nl-NL' });
    const now = settings({ rules: [field('dear')] });
    expect(rebased(before, typed, now)).toEqual(
      settings({ language: 'nl-NL', rules: [field('dear')] }),
    );
    expect(rebased(before, typed, settings({ language: 'de-DE' })).language).toBe('nl-NL');
  });

  it('is what was taken out and what was added', () => {
    const typed = settings({ fields: [field('b'), field('new')] });
    const now = settings({ fields: [field('a'), field('b', 'B'), field('c')] });
    expect(rebased(before, typed, now).fields).toEqual([field('b', 'B'), field('c'), field('new')]);
  });

  it('gives way where only the other side changed, and is nothing where nothing was typed', () => {
    const now = settings({ fields: [field('a', 'A')], language: 'de-DE' });
    expect(rebased(before, before, now)).toEqual(now);
  });
});
