import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import {
  beforeSigners,
  between,
  canMove,
  completesLate,
  copiedOnly,
  joined,
  moved,
  stagesOf,
  type Move,
} from './routeOrder';

type Party = Schemas['Party'];

const party = (key: string, stage: number, duty: Party['duty'] = 'SIGNS'): Party => ({
  key,
  label: key,
  duty,
  stage,
  who: { kind: 'chosen_at_use' },
  optional: false,
  neededWhen: '',
  language: '',
  copied: false,
  identity: 'NONE' as const,
});

/** Rows as text: "a b|c" is two stages, the first of two parties. */
const rows = (parties: Party[]) =>
  stagesOf(parties)
    .map((row) => row.map(({ key }) => key).join(' '))
    .join('|');
const route = (text: string) =>
  text.split('|').flatMap((row, at) => row.split(' ').map((key) => party(key, at + 1)));

describe('the order of a route', () => {
  it.each([
    ['a|b|c', 'b', 'up', 'b|a|c'],
    ['a|b|c', 'b', 'down', 'a|c|b'],
    ['a|b|c', 'a', 'up', 'a|b|c'],
    ['a|b|c', 'c', 'down', 'a|b|c'],
    ['a|b c|d', 'b', 'up', 'a|b|c|d'],
    ['a|b c|d', 'b', 'down', 'a|c|b|d'],
    ['a b', 'a', 'up', 'a|b'],
    ['a|b|c', 'b', 'join-above', 'a b|c'],
    ['a|b|c', 'b', 'join-below', 'a|b c'],
    ['a b|c', 'a', 'join-below', 'b|a c'],
    ['a|b', 'a', 'join-above', 'a|b'],
    ['a|b c', 'c', 'apart', 'a|b|c'],
    ['a|b', 'b', 'apart', 'a|b'],
    ['a', 'a', 'down', 'a'],
  ] as [string, string, Move, string][])('%s: %s %s gives %s', (before, key, move, after) => {
    const parties = route(before);
    expect(rows(moved(parties, key, move))).toBe(after);
    expect(canMove(parties, key, move)).toBe(before !== after);
  });

  it('is dropped on a row, or between two', () => {
    expect(rows(joined(route('a|b|c'), 'a', 2))).toBe('b|a c');
    expect(rows(between(route('a|b|c'), 'a', 3))).toBe('b|c|a');
    expect(rows(between(route('a b|c'), 'a', 0))).toBe('a|b|c');
    expect(rows(joined(route('a|b'), 'a', 9))).toBe('a|b');
  });

  it('counts from one without gaps, and leaves the parties in their own order', () => {
    const parties = [party('a', 7), party('b', 3), party('c', 3, 'RECEIVES_COPY')];
    const after = moved(parties, 'a', 'up');
    expect(after.map(({ key, stage }) => `${key}${stage}`)).toEqual(['a1', 'b2', 'c3']);
    expect(copiedOnly(after).map(({ key }) => key)).toEqual(['c']);
    expect(moved(parties, 'c', 'up')).toBe(parties);
  });

  it('has who completes details before who signs', () => {
    const parties = [party('a', 1), party('b', 2, 'COMPLETES'), party('c', 3)];
    expect(parties.map((one) => completesLate(parties, one))).toEqual([false, true, false]);
    expect(rows(beforeSigners(parties, 'b'))).toBe('b|a|c');
    expect(rows(beforeSigners([party('b', 1, 'COMPLETES')], 'b'))).toBe('b');
  });
});
