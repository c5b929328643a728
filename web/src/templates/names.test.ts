import { expect, it } from 'vitest';
import { caseKey, nameFor } from './names';

it('names cases as the server does', () => {
  expect(caseKey('By courier')).toBe('by_courier');
  expect(caseKey('Borrower’s insurance')).toBe('borrowers_insurance');
  expect(caseKey('Été 2027!')).toBe('ete_2027');
  expect(caseKey('1st')).toBe('case_1st');
});

it('proposes a short name for words', () => {
  expect(nameFor('Ida Marsh')).toBe('ida_marsh');
  expect(nameFor('The Museum of Bowed Strings')).toBe('the_museum_of');
  expect(nameFor('15 March 2027')).toBe('march_2027');
  expect(nameFor('…')).toBe('');
});
