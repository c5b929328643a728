// @vitest-environment jsdom
import { expect, it } from 'vitest';
import { chosenWords } from './words';

function page() {
  document.body.innerHTML =
    '<div id="page"><span>The lender, </span><br><span>Ida Marsh</span><span>, lends a viola.</span></div><p>elsewhere</p>';
  const element = document.getElementById('page');
  if (!element) throw new Error('no page');
  return element;
}

function select(from: Node, start: number, to: Node, end: number) {
  const selection = window.getSelection();
  const range = document.createRange();
  range.setStart(from, start);
  range.setEnd(to, end);
  selection?.removeAllRanges();
  selection?.addRange(range);
  return selection;
}

it('hands out selected words with those around them', () => {
  const element = page();
  const words = element.children[2]?.firstChild;
  if (!words) throw new Error('no words');
  expect(chosenWords(element, select(words, 0, words, 9))).toEqual({
    text: 'Ida Marsh',
    before: 'The lender, ',
    after: ', lends a viola.',
  });
});

it('hands out a place when nothing is selected, and nothing for another element', () => {
  const element = page();
  const words = element.children[2]?.firstChild;
  const elsewhere = document.querySelector('p')?.firstChild;
  if (!words || !elsewhere) throw new Error('no words');
  expect(chosenWords(element, select(words, 3, words, 3))).toEqual({
    text: '',
    before: 'The lender, Ida',
    after: ' Marsh, lends a viola.',
  });
  expect(chosenWords(element, select(elsewhere, 0, elsewhere, 3))).toBeUndefined();
});
