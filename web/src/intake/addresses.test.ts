import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { written } from '../../scripts/addresses.mjs';
import { countriesIn, hasPart, partOrder, storedCountry, typedCountry } from './addresses';

test('what is known of addresses is what the packages say', () => {
  const file = '../core/src/main/resources/org/jalousie/core/data/addresses.json';
  expect(readFileSync(file, 'utf8')).toBe(written());
});

test('the parts are asked for as the country’s post wants them', () => {
  expect(partOrder('NL')).toEqual([2, 5, 3, 4]);
  expect(partOrder('US')).toEqual([2, 3, 4, 5]);
  expect(partOrder('gb')).toEqual([2, 3, 5, 4]);
  expect(partOrder('Arcadia')).toEqual([2, 5, 3, 4]);
  expect(hasPart('NL', 4)).toBe(false);
  expect(hasPart('US', 4)).toBe(true);
  expect(hasPart('', 4)).toBe(true);
});

test('a country is named in the language of the form and kept by its code', () => {
  expect(storedCountry(' nederland ', 'nl')).toBe('NL');
  expect(storedCountry('Netherlands', 'en-GB')).toBe('NL');
  expect(storedCountry('Arcadia', 'en-GB')).toBe('Arcadia');
  expect(typedCountry('DE', 'fr')).toBe('Allemagne');
  expect(typedCountry('Arcadia', 'fr')).toBe('Arcadia');
  expect(countriesIn('de').length).toBeGreaterThan(190);
});
