import { expect, test } from 'vitest';
import { areas, kinds, kindWords, reachIn, withReach } from './programs';

test('a reach takes the place of the one before', () => {
  const scopes = withReach(['archive:read', 'intake:read'], 'intake', 'write');
  expect(scopes).toEqual(['archive:read', 'intake:write']);
  expect(reachIn(scopes, 'intake')).toBe('write');
  expect(reachIn(scopes, 'archive')).toBe('read');
  expect(reachIn(scopes, 'office')).toBe('none');
  expect(withReach(scopes, 'intake', 'none')).toEqual(['archive:read']);
});

test('each area and kind stands once, and a trial has words too', () => {
  expect(new Set(areas.map(({ area }) => area)).size).toBe(areas.length);
  expect(new Set(kinds.map(({ kind }) => kind)).size).toBe(kinds.length);
  expect(kindWords('agreement.signed')).toBe('programs.kind-signed');
  expect(kindWords('trial')).toBe('programs.kind-trial');
});
