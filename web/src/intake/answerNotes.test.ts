import { expect, test } from 'vitest';
import { answerNotes } from './answerNotes';

type Detail = Parameters<typeof answerNotes>[0];

test('what prints nowhere and what nobody typed is told of answers that are there', () => {
  const names = ['a', 'b', 'c', 'd'];
  const detail = {
    form: { fields: names.map((name) => ({ name })), initials: { a: '5', b: '5', d: '1' } },
    values: { a: '5', b: '6', c: 'x' },
    unprinted: ['c', 'd'],
  } as unknown as Detail;
  expect(answerNotes(detail)).toEqual({
    a: 'As the form begins with it; maybe nobody has looked at it.',
    c: 'It prints nowhere.',
  });
});
