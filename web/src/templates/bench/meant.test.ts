import { expect, test } from 'vitest';
import { meant, ofParty } from './meant';

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

test('a party and what it completes is a signing field of that party', () => {
  const parties = [
    { key: 'lender', label: 'Lender' },
    { key: 'museum', label: 'The museum' },
  ];
  expect(ofParty('Lender, VAT number', parties)).toEqual({ name: 'lender.vat_number', label: '' });
  expect(ofParty('the museum: position', parties)?.name).toBe('museum.position');
  expect(ofParty('museum, position', parties)?.name).toBe('museum.position');
  expect(ofParty('Courier, position', parties)).toBeUndefined();
  expect(ofParty('Lender', parties)).toBeUndefined();
  expect(ofParty('Lender, ', parties)).toBeUndefined();
});
