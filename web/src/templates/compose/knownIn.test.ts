import { expect, test } from 'vitest';
import { knownIn } from './knownIn';

test('fields of a text are known once, by what they would be called', () => {
  expect(
    knownIn('{{lender_name}} and {{ lender_name }}, {{#abroad}}x{{/abroad}} {{ends.long}}'),
  ).toEqual([
    { name: 'lender_name', label: 'Lender name' },
    { name: 'abroad', label: 'Abroad' },
    { name: 'ends', label: 'Ends' },
  ]);
  expect(knownIn('no tag {{ }} {{a b}}')).toEqual([]);
});

test('a party that has one mark has the others to be put in', () => {
  expect(knownIn('{{lender.signature}}').map(({ name }) => name)).toEqual([
    'lender.signature',
    'lender.full_name',
    'lender.date_signed',
    'lender.initials',
  ]);
});
