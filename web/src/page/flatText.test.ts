// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import {
  betweenWords,
  flatten,
  lineEnd,
  lineStart,
  pieceAt,
  placeOfPoint,
  wholeWords,
  wordAfter,
  wordBefore,
} from './flatText';

function layer(html: string) {
  const element = document.createElement('div');
  element.innerHTML = html;
  return flatten(element);
}

describe('the words of a page', () => {
  const flat = layer('<span>between </span><span>Ida Marsh</span><br><span>and others</span><br>');

  it('are one text in lines', () => {
    expect(flat.text).toBe('between Ida Marsh\nand others\n');
    expect(layer('').text).toBe('');
  });

  it('lead back to where they stand', () => {
    expect(pieceAt(flat, 0)).toMatchObject({ offset: 0 });
    expect(pieceAt(flat, 8)?.node.data).toBe('between ');
    expect(pieceAt(flat, 9)).toMatchObject({ offset: 1 });
    expect(pieceAt(flat, 9)?.node.data).toBe('Ida Marsh');
    expect(pieceAt(flat, 18)?.node.data).toBe('Ida Marsh');
    expect(pieceAt(flat, 19)?.node.data).toBe('and others');
    expect(pieceAt(flat, 999)).toMatchObject({ offset: 10 });
    expect(pieceAt(layer(''), 0)).toBeUndefined();
  });

  it('know the place of a point', () => {
    const [first, second] = flat.pieces;
    expect(first && placeOfPoint(flat, first.node, 3)).toBe(3);
    expect(second && placeOfPoint(flat, second.node, 3)).toBe(11);
    expect(placeOfPoint(flat, document.body, 0)).toBe(-1);
  });

  it('are walked word by word, over signs and the ends of lines', () => {
    const text = 'the lender’s\n12 objects, each';
    const ends: number[] = [];
    for (let at = 0; at < text.length; at = wordAfter(text, at)) ends.push(wordAfter(text, at));
    expect(ends.map((end) => text.slice(0, end).split(/\s/).at(-1))).toEqual([
      'the',
      'lender’s',
      '12',
      'objects',
      'each',
    ]);
    expect(wordBefore(text, text.length)).toBe(text.indexOf('each'));
    expect(wordBefore(text, 0)).toBe(0);
    expect(wordAfter(text, text.length)).toBe(text.length);
  });

  it('are taken whole where a stretch begins or ends within one', () => {
    const text = 'with an approved carrier, and 48,000 more';
    const at = (words: string) => text.indexOf(words);
    expect(wholeWords(text, at('pproved'), at('rrier'))).toEqual([at('approved'), at(', and')]);
    expect(wholeWords(text, at('rrier'), at('pproved'))).toEqual([at('approved'), at(', and')]);
    expect(wholeWords(text, at('48'), at(' more'))).toEqual([at('48'), at(' more')]);
    // edges that are met stay where they are
    expect(wholeWords(text, 0, 4)).toEqual([0, 4]);
  });

  it('have lines with a start and an end', () => {
    const text = 'one\ntwo\n';
    expect([lineStart(text, 5), lineEnd(text, 5)]).toEqual([4, 7]);
    expect([lineStart(text, 0), lineEnd(text, 0)]).toEqual([0, 3]);
    expect(lineEnd(text, 8)).toBe(8);
  });
});

describe('a place between words', () => {
  it('is the nearer end of the word that it would cut', () => {
    expect(betweenWords('One hundred', 6)).toBe(4);
    expect(betweenWords('One hundred', 9)).toBe(11);
    expect(betweenWords('d\u2019amore', 4)).toBe(2);
  });

  it('stays where no word is cut', () => {
    expect(betweenWords('One hundred', 3)).toBe(3);
    expect(betweenWords('One hundred', 4)).toBe(4);
    expect(betweenWords('', 0)).toBe(0);
    expect(betweenWords('One', 0)).toBe(0);
  });
});
