import { expect, test } from 'vitest';
import { headingOf } from './requestHeadings';

const row = {
  stage: 'OUT',
  template: 'Loan',
  templateId: 't1',
  owner: '',
  ownerMail: '',
  age: 'WEEK',
} as const;

test('a heading is what its rows share, with how many there are on all pages', () => {
  expect(headingOf(row, 'OWNER', [{ key: '', count: 51 }])).toEqual({
    key: '',
    title: 'nobody, 51',
  });
  expect(headingOf(row, 'TEMPLATE', [{ key: 't1', count: 2 }]).title).toBe('Loan, 2');
  expect(headingOf(row, 'AGE', []).title).toBe('in the last week');
  expect(headingOf(row, 'STAGE', [{ key: 'DONE', count: 3 }])).toEqual({
    key: 'OUT',
    title: 'out to be signed',
  });
});
