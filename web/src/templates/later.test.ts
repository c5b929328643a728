import { describe, expect, it } from 'vitest';
import { isLater } from './useTemplate';

const at = (version: number, revision: number) => ({ version, revision });

describe('answers that overtake one another', () => {
  it('are taken only when they tell of a later state', () => {
    expect(isLater(at(1, 4), undefined)).toBe(true);
    expect(isLater(at(1, 4), at(1, 3))).toBe(true);
    expect(isLater(at(1, 4), at(1, 4))).toBe(true);
    expect(isLater(at(1, 3), at(1, 4))).toBe(false);
    expect(isLater(at(2, 0), at(1, 9))).toBe(true);
    expect(isLater(at(1, 9), at(2, 0))).toBe(false);
  });
});
