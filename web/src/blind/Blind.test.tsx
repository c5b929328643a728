// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { Blind, rowsOf, sentence, type Slat } from './Blind';

const slat = (party: string, stage: number, standing: Slat['standing']): Slat => ({
  party,
  label: party,
  name: party,
  duty: 'SIGNS',
  stage,
  standing,
  since: null,
});

test('parties of one stage share a row, and rows follow the order', () => {
  const rows = rowsOf([
    slat('museum', 2, 'OPEN'),
    slat('lender', 1, 'TURN'),
    slat('witness', 1, 'TURN'),
  ]);
  expect(rows.map((row) => row.map((one) => one.party))).toEqual([
    ['lender', 'witness'],
    ['museum'],
  ]);
});

test('the state is said in words too', () => {
  const slats = [slat('lender', 1, 'DONE'), slat('museum', 2, 'BROKEN')];
  expect(sentence(slats, false)).toBe('lender: done; museum: stopped');
  render(<Blind slats={slats} sealed />);
  expect(screen.getByRole('img', { name: 'lender: done; museum: stopped; sealed' })).toBeDefined();
});
