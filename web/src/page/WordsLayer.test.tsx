// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeAll, expect, it, vi } from 'vitest';
import type { Document } from './viewer';
import { WordsLayer, type Chosen } from './WordsLayer';

const laid = vi.hoisted(() => ({ times: 0 }));

vi.mock('./viewer', () => ({
  layWords: (_: unknown, __: number, container: HTMLElement) => {
    laid.times++;
    container.innerHTML = '<span>between Ida Marsh</span><br><span>and others</span>';
    return Promise.resolve();
  },
}));

beforeAll(() => {
  const box = () => ({ left: 1, right: 9, top: 1, bottom: 9, width: 8, height: 8 }) as DOMRect;
  Range.prototype.getClientRects = () => [box()] as unknown as DOMRectList;
  Range.prototype.getBoundingClientRect = box;
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(() => {
  cleanup();
  laid.times = 0;
});

const page = {} as Document;

function layer(url: string, more: Partial<Parameters<typeof WordsLayer>[0]> = {}) {
  return (
    <WordsLayer
      url={url}
      document={page}
      number={1}
      width={500}
      onChosen={() => undefined}
      onPoint={() => false}
      onAct={() => undefined}
      {...more}
    />
  );
}

const words = () => screen.getByRole('textbox', { name: 'Words of page 1' });
const ready = () => waitFor(() => expect(words().dataset.laid).toBeTruthy());

it('lets words be chosen by keys alone, and asks for what can be done with them', async () => {
  const told: (Chosen | undefined)[] = [];
  const onAct = vi.fn();
  render(layer('a', { onChosen: (chosen) => told.push(chosen), onAct }));
  await ready();
  words().focus();
  // having come here is not yet choosing
  expect(told).toEqual([]);
  fireEvent.keyDown(words(), { key: 'ArrowRight', ctrlKey: true });
  fireEvent.keyDown(words(), { key: 'ArrowRight' });
  fireEvent.keyDown(words(), { key: 'ArrowRight', ctrlKey: true, shiftKey: true });
  fireEvent.keyDown(words(), { key: 'ArrowRight', ctrlKey: true, shiftKey: true });
  expect(told.at(-1)?.words).toEqual({
    text: 'Ida Marsh',
    before: 'between ',
    after: 'and others',
  });
  fireEvent.keyDown(words(), { key: 'Enter' });
  expect(onAct).toHaveBeenCalledTimes(1);
  fireEvent.keyDown(words(), { key: 'Escape' });
  expect(told.at(-1)).toBeUndefined();
});

it('tells of the place between two words when it is asked what can be done there', async () => {
  const told: (Chosen | undefined)[] = [];
  render(layer('a', { onChosen: (chosen) => told.push(chosen) }));
  await ready();
  words().focus();
  fireEvent.keyDown(words(), { key: 'Enter' });
  expect(told.at(-1)?.words).toEqual({
    text: '',
    before: '',
    after: 'between Ida Marshand others',
  });
});

it('does not take words from under the pointer while they are dragged over', async () => {
  const { rerender } = render(layer('a'));
  await ready();
  fireEvent.mouseDown(words());
  rerender(layer('b'));
  await new Promise((later) => setTimeout(later, 30));
  expect(laid.times).toBe(1);
  fireEvent.mouseUp(window);
  await waitFor(() => expect(words().dataset.laid).toBe('b'));
  expect(laid.times).toBe(2);
});
