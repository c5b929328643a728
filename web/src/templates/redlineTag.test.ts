import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { redlineTag } from './redlineTag';

const field = (name: string, items: unknown[] = []) => ({ name, label: name, items, choices: [] });
const content = {
  fields: [field('loan_ends'), field('objects', [field('name')])],
  rules: [{ name: 'worth', label: 'Worth', within: 'objects' }],
  choices: [{ name: 'cover', label: 'Cover', cases: [] }],
  signingFields: [{ name: 'lender_signature', label: 'Lender signature', party: 'lender' }],
} as unknown as Schemas['TemplateDetail']['content'];

const piece = (part: Partial<Schemas['RedlinePiece']>): Schemas['RedlinePiece'] => ({
  fate: 'SAME',
  text: '{{x}}',
  tag: 'VALUE',
  list: '',
  name: '',
  label: '',
  ...part,
});

test.each([
  [{ name: 'loan_ends', label: 'Loan ends' }, '[Loan ends]', 'field.loan_ends'],
  [{ name: 'name', list: 'objects', label: 'Object' }, '[Object]', 'field.objects.name'],
  [{ name: 'worth', list: 'objects', label: 'Worth' }, '[Worth]', 'rule.0'],
  [{ tag: 'OPEN', name: 'cover', label: 'Cover: State' }, '‹for Cover: State: ', 'choice.0'],
  [{ name: 'lender.signature' }, '[Lender signature]', 'signing.lender_signature'],
  [{ tag: 'CLAUSE', name: 'cover_of_state' }, '[Clause cover of state]', undefined],
  [
    { tag: 'CHOSEN_CLAUSE', name: 'cover', label: 'Cover' },
    '[the clause that Cover names]',
    'choice.0',
  ],
  [{ name: 'position', list: 'objects' }, '[Number in the list]', undefined],
  [
    { name: 'agreement_number', label: 'Agreement number' },
    '[Agreement number]',
    'own.agreement_number',
  ],
  // what is gone from the settings is said as it was, and leads nowhere
  [{ name: 'gone', label: 'Gone since' }, '[Gone since]', undefined],
  [{ name: 'nobody.knows' }, '{{x}}', undefined],
] as const)('%o is said %s and leads to %s', (part, says, opens) => {
  expect(redlineTag(piece(part), content)).toEqual(opens ? { says, opens } : { says });
});
