import { expect, test } from 'vitest';
import { historyWords, stageWords } from './requestWords';

const line = (kind: Parameters<typeof historyWords>[0]['kind'], by: string, said = '') =>
  historyWords({ kind, by, said, at: '2027-03-01T09:00:00Z' });

test('whoever takes a request, gives it or leaves it is told apart', () => {
  expect(line('OWNED', 'Nora', 'Nora')).toBe('Nora takes care of it');
  expect(line('OWNED', 'Nora', 'Pia')).toBe('Nora gave it to Pia');
  expect(line('OWNED', 'Nora')).toBe('Nora left it to nobody');
});

test('an agreement that takes the place of another one names both', () => {
  expect(line('REPLACED', 'Nora', 'A-2 A-1')).toBe('Nora made A-2 of it, in the place of A-1');
  expect(line('MADE', '', 'A-1')).toBe('The program made A-1 of it');
});

test('every stage has words', () => {
  expect(stageWords('ENDED')).toBe('ended, can be made again');
});
