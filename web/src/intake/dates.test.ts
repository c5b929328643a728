import { expect, test } from 'vitest';
import { dayOf, exampleDate, readDate, storedDay, typedDate } from './dates';

test('figures are read in the order of the language', () => {
  expect(readDate('03/04/2027', 'en-GB')).toBe('2027-04-03');
  expect(readDate('03/04/2027', 'en-US')).toBe('2027-03-04');
  expect(readDate('3.4.2027', 'de-DE')).toBe('2027-04-03');
  expect(readDate('3-4-2027', 'nl-NL')).toBe('2027-04-03');
  expect(readDate(' 3 4 2027 ', 'fr-FR')).toBe('2027-04-03');
  expect(readDate('2027-04-03', 'fr-FR')).toBe('2027-04-03');
});

test('months may be named', () => {
  expect(readDate('1 May 2027', 'en-GB')).toBe('2027-05-01');
  expect(readDate('May 1, 2027', 'en-US')).toBe('2027-05-01');
  expect(readDate('1. März 2027', 'de-DE')).toBe('2027-03-01');
  expect(readDate('1 août 2027', 'fr-FR')).toBe('2027-08-01');
  expect(readDate('1 mei 2027', 'nl-NL')).toBe('2027-05-01');
  expect(readDate('1 mei 2027', 'en-GB')).toBeUndefined();
});

test('what could be another day, or is none, is not guessed', () => {
  expect(readDate('03/04/27', 'en-GB')).toBeUndefined();
  expect(readDate('31/02/2027', 'en-GB')).toBeUndefined();
  expect(readDate('13/13/2027', 'en-GB')).toBeUndefined();
  expect(readDate('2027-02-30', 'en-GB')).toBeUndefined();
  expect(readDate('soon', 'en-GB')).toBeUndefined();
  expect(readDate('', 'en-GB')).toBeUndefined();
});

test('a stored date is shown as it is typed, and comes back the same', () => {
  for (const language of ['en-GB', 'en-US', 'de-DE', 'fr-FR', 'nl-NL', 'it-IT', 'es-ES']) {
    expect(readDate(typedDate('2027-04-03', language), language)).toBe('2027-04-03');
    expect(exampleDate(language)).toContain('31');
  }
  expect(typedDate('soon', 'en-GB')).toBe('soon');
  const day = dayOf('1999-12-31');
  expect(day && storedDay(day)).toBe('1999-12-31');
});
