// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { HandPlaces, type Handling } from './HandPlaces';
import type { Item } from './items';

afterEach(cleanup);

const item: Item = {
  id: 'places-0',
  key: 'signing.courier_signature',
  at: { list: 'places', index: 0 },
  label: 'Courier, signature',
  party: 'courier',
  spot: { kind: 'ON_PAGE', page: 1, left: 20, top: 30 },
  size: { widthMm: 60, heightMm: 18 },
  box: { page: 1, x: 56.7, y: 706, width: 170, height: 51 },
};

function shown(part: Partial<Handling> = {}, fixed = false) {
  const handling: Handling = {
    items: [item],
    ties: new Map(),
    lines: [],
    parties: [{ key: 'courier' }],
    chosen: [],
    onChoose: vi.fn(),
    onOpen: vi.fn(),
    onDrop: vi.fn(),
    onNudge: vi.fn(),
    onSize: vi.fn(),
    onRemove: vi.fn(),
    ...part,
  };
  render(
    <HandPlaces
      page={1}
      size={{ width: 595, height: 842 }}
      width={595}
      handling={handling}
      fixed={fixed}
    />,
  );
  return handling;
}

const place = () => screen.getByRole('button', { name: /^Courier, signature, 20/ });

test('a place is moved by millimetres, with Shift by five, with Alt by tenths', () => {
  const handling = shown();
  fireEvent.keyDown(place(), { key: 'ArrowRight' });
  fireEvent.keyDown(place(), { key: 'ArrowUp', shiftKey: true });
  fireEvent.keyDown(place(), { key: 'ArrowLeft', altKey: true });
  expect(vi.mocked(handling.onNudge).mock.calls.map(([, x, y]) => [x, y])).toEqual([
    [1, 0],
    [0, -5],
    [-0.1, 0],
  ]);
});

test('it is opened by Enter and taken off by Delete', () => {
  const handling = shown();
  fireEvent.keyDown(place(), { key: 'Enter' });
  fireEvent.keyDown(place(), { key: 'Delete' });
  expect(handling.onOpen).toHaveBeenCalledOnce();
  expect(handling.onRemove).toHaveBeenCalledOnce();
});

test('of a published version nothing is moved or taken off', () => {
  const handling = shown({}, true);
  fireEvent.keyDown(place(), { key: 'ArrowRight' });
  fireEvent.keyDown(place(), { key: 'Delete' });
  expect(handling.onNudge).not.toHaveBeenCalled();
  expect(handling.onRemove).not.toHaveBeenCalled();
});

test('the one that is chosen has a corner for its size', () => {
  const handling = shown({ chosen: ['places-0'] });
  fireEvent.keyDown(screen.getByRole('button', { name: /60.*18/ }), { key: 'ArrowDown' });
  expect(handling.onSize).toHaveBeenCalledWith(item, { widthMm: 60, heightMm: 19 });
});

test('what has no place is on no page', () => {
  shown({ items: [{ ...item, box: undefined }] });
  expect(screen.queryByRole('button')).toBeNull();
});
