import { expect, test } from 'vitest';
import { meant } from './meant';

const known = [
  { name: 'lender_name', label: 'Who lends' },
  { name: 'cover.insured', label: 'Cover: insured' },
];

test('something known is found by its name and by what it is called', () => {
  expect(meant('who lends ', known)).toEqual({ name: 'lender_name', label: '' });
  expect(meant('lender_name', known)).toEqual({ name: 'lender_name', label: '' });
  expect(meant('Cover: insured', known)).toEqual({ name: 'cover.insured', label: '' });
});

test('words are the label of something new, whose name is made of them', () => {
  expect(meant('Day of return to Oudehaven', known)).toEqual({
    name: 'day_of_return',
    label: 'Day of return to Oudehaven',
  });
  expect(meant('Ida Marsh', [])).toEqual({ name: 'ida_marsh', label: 'Ida Marsh' });
  expect(meant('Exhibition', [])).toEqual({ name: 'exhibition', label: 'Exhibition' });
});

test('a name that nobody has yet is taken as it is, and nothing is no name', () => {
  expect(meant('return_day', known)).toEqual({ name: 'return_day', label: '' });
  expect(meant('lender.signature', known)).toEqual({ name: 'lender.signature', label: '' });
  expect(meant('*cover', known)).toEqual({ name: '*cover', label: '' });
  expect(meant('  ', known)).toBeUndefined();
  expect(meant('…', known)).toBeUndefined();
});
