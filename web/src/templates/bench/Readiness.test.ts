import { expect, test } from 'vitest';
import type { Bench } from './bench';
import { spotOf } from './Readiness';

const bench = {
  settings: {
    fields: [
      { name: 'lender', items: [] },
      { name: 'objects', items: [{ name: 'title', items: [] }] },
    ],
    rules: [{ name: 'dear' }],
    choices: [{ name: 'cover' }],
    parties: [{ key: 'borrower' }],
  },
} as unknown as Bench;

test.each([
  ['FIELD', 'lender', { open: 'field.lender' }],
  ['FIELD', 'title', { open: 'field.objects.title' }],
  ['RULE', 'dear', { open: 'rule.0' }],
  ['CHOICE', 'cover', { open: 'choice.0' }],
  ['PARTY', 'lender', { party: 'lender' }],
  ['PARTY', '', { party: 'borrower' }],
  ['SIGNING_FIELD', 'lender_signature', { open: 'signing.lender_signature' }],
  ['SENDING', '', { face: 'sending' }],
] as const)('%s %s leads to where it is settled', (about, name, spot) => {
  expect(spotOf({ about, name, message: '' }, bench)).toEqual(spot);
});

test('what is settled in the words, and what is gone, leads nowhere', () => {
  expect(spotOf({ about: 'WORDING', name: '', message: '' }, bench)).toBeUndefined();
  expect(spotOf({ about: 'RULE', name: 'gone', message: '' }, bench)).toBeUndefined();
  expect(spotOf({ about: 'FIELD', name: 'gone', message: '' }, bench)).toBeUndefined();
});
