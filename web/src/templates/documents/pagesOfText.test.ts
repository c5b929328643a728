import { expect, test } from 'vitest';
import { pagesOfText } from './pagesOfText';

test('pages are read as somebody writes them', () => {
  expect(pagesOfText('2-4, 7', 9)).toEqual([2, 3, 4, 7]);
  expect(pagesOfText(' 3 , 3 ,1', 9)).toEqual([1, 3]);
  expect(pagesOfText('1–2', 9)).toEqual([1, 2]);
});

test.each(['', 'all', '0', '4-2', '3-12', '2,', '1.5', '-3'])('%s is no list of pages', (text) => {
  expect(pagesOfText(text, 9)).toBeUndefined();
});
