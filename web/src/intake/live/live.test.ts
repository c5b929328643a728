// @vitest-environment jsdom
import { renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { answerAt, inputOf, printedBy, questionAt } from './answerAt';
import { useLive } from './useLive';
import { lineToShow } from './whatChanged';

const printed = (part: Partial<Schemas['Printed']>): Schemas['Printed'] => ({
  kind: 'VALUE',
  name: '',
  list: '',
  number: -1,
  items: [],
  page: 1,
  x: 0,
  y: 0,
  width: 1,
  height: 1,
  ...part,
});

test('an answer is found by what it is called, in an item within an item too', () => {
  document.body.innerHTML = `
    <form>
      <div data-answer="lender"><input id="lender" /></div>
      <div data-answer="objects">
        <ol>
          <li data-item="1"><div data-answer="objects.title"><input id="first" /></div></li>
          <li data-item="2">
            <div data-answer="objects.title"><input id="second" /></div>
            <div data-answer="objects.parts"><ol>
              <li data-item="1"><div data-answer="parts.title"><input id="part" /></div></li>
            </ol></div>
          </li>
        </ol>
      </div>
    </form>`;
  const all: [string, Parameters<typeof inputOf>[1]][] = [
    ['lender', { name: 'lender', list: '', items: [] }],
    ['second', { name: 'title', list: 'objects', items: [2] }],
    ['part', { name: 'title', list: 'parts', items: [2, 1] }],
  ];
  for (const [id, at] of all) {
    expect(inputOf(document, at)?.id).toBe(id);
    expect(answerAt(document.getElementById(id))).toEqual(at);
  }
  expect(inputOf(document, { name: 'title', list: 'objects', items: [3] })).toBeUndefined();
  expect(inputOf(document, { name: 'agreement_number', list: '', items: [] })).toBeUndefined();
  expect(answerAt(document.body)).toBeUndefined();
  expect(questionAt(document.getElementById('part'))).toBe('objects');
  expect(questionAt(document.getElementById('lender'))).toBe('lender');
  expect(questionAt(document.body)).toBeUndefined();
  expect(questionAt(null)).toBeUndefined();
});

test('words were printed by an answer, an item’s by its own item only, and by the whole list', () => {
  const line = printed({ name: 'title', list: 'objects', items: [2] });
  expect(printedBy(line, { name: 'title', list: 'objects', items: [2] })).toBe(true);
  expect(printedBy(line, { name: 'title', list: 'objects', items: [1] })).toBe(false);
  expect(printedBy(line, { name: 'objects', list: '', items: [] })).toBe(true);
  expect(printedBy(line, { name: 'title', list: '', items: [] })).toBe(false);
});

test('what has changed is brought into view: the answer’s words, or the passage that has come', () => {
  const lender = printed({ name: 'lender', page: 2 });
  const passage = printed({ kind: 'PASSAGE', number: 3, page: 4 });
  const before = { values: { lender: 'Ida', abroad: '' }, printed: [lender] };
  const typed = { values: { lender: 'Ida M', abroad: '' }, printed: [lender] };
  expect(lineToShow(undefined, typed)).toBeUndefined();
  expect(lineToShow(before, before)).toBeUndefined();
  expect(lineToShow(before, typed)).toBe(lender);
  const abroad = { values: { lender: 'Ida', abroad: 'yes' }, printed: [lender, passage] };
  expect(lineToShow(before, abroad)).toBe(passage);
  expect(lineToShow(abroad, before)).toBeUndefined();
});

beforeEach(() => {
  vi.useFakeTimers({ shouldAdvanceTime: true });
});
afterEach(() => {
  vi.useRealTimers();
});

test('one is asked for at a time, and then the newest', async () => {
  const asked: string[] = [];
  const answers: ((made: string) => void)[] = [];
  const ask = (wanted: string) =>
    new Promise<string>((resolve) => {
      asked.push(wanted);
      answers.push(() => resolve(`pages of ${wanted}`));
    });
  const { result, rerender } = renderHook(({ wanted }) => useLive(ask, wanted), {
    initialProps: { wanted: 'a' },
  });
  await vi.advanceTimersByTimeAsync(300);
  for (const wanted of ['ab', 'abc', 'abcd']) {
    rerender({ wanted });
    await vi.advanceTimersByTimeAsync(300);
  }
  expect(asked).toEqual(['a']);
  answers[0]?.('');
  await waitFor(() => expect(result.current.made).toBe('pages of a'));
  expect(asked).toEqual(['a', 'abcd']);
  answers[1]?.('');
  await waitFor(() => expect(result.current.made).toBe('pages of abcd'));
  await vi.advanceTimersByTimeAsync(1000);
  expect(asked).toHaveLength(2);
});

test('what is made stays when the next can’t be, and the fault is told', async () => {
  const ask = (wanted: string) =>
    wanted === 'good' ? Promise.resolve('pages') : Promise.reject(new Error('too long'));
  const { result, rerender } = renderHook(({ wanted }) => useLive(ask, wanted), {
    initialProps: { wanted: 'good' },
  });
  await vi.advanceTimersByTimeAsync(300);
  await waitFor(() => expect(result.current.made).toBe('pages'));
  rerender({ wanted: 'bad' });
  await vi.advanceTimersByTimeAsync(300);
  await waitFor(() => expect(String(result.current.error)).toContain('too long'));
  expect(result.current.made).toBe('pages');
  rerender({ wanted: 'good' });
  await vi.advanceTimersByTimeAsync(300);
  await waitFor(() => expect(result.current.error).toBeUndefined());
});
