// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeAll, expect, it, vi } from 'vitest';
import { Margin } from './Margin';
import { columnOf, type Thing } from './thing';

beforeAll(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      disconnect() {}
    },
  );
});
afterEach(cleanup);

const size = { width: 595, height: 842 };
const thing = (key: string, ...places: [page: number, y: number][]): Thing => ({
  key,
  label: `Thing ${key}`,
  lines: places.map(([page, y]) => ({ page, x: 70, y, width: 40, height: 12 })),
  spans: false,
});
const things = [
  thing('c', [2, 700]),
  thing('a', [1, 700], [1, 500], [2, 300]),
  thing('b', [1, 690]),
];

function Shown() {
  const [open, setOpen] = useState<string>();
  return (
    <Margin
      side="left"
      label={(page) => `Data on page ${page}`}
      things={[...things, thing('nowhere')]}
      column={columnOf([size, size], 595)}
      open={open}
      onOpen={setOpen}
      card={(key) => <input aria-label={`setting of ${key}`} />}
    />
  );
}

const note = (label: string) => screen.getByRole('button', { name: label });

it('has one note for a thing, at its first place, and ticks at the others', () => {
  const { container } = render(<Shown />);
  expect(screen.getAllByRole('list').map((list) => list.getAttribute('aria-label'))).toEqual([
    'Data on page 1',
    'Data on page 2',
  ]);
  expect(screen.getAllByRole('button').map((one) => one.textContent)).toEqual([
    'Thing a',
    'Thing b',
    'Thing c',
  ]);
  expect(container.querySelectorAll('button[aria-hidden]')).toHaveLength(2);
  expect(screen.queryByText('Thing nowhere')).toBeNull();
});

it('is one stop for the Tab key, walked by arrows over all pages', () => {
  render(<Shown />);
  expect([note('Thing a'), note('Thing b'), note('Thing c')].map((one) => one.tabIndex)).toEqual([
    0, -1, -1,
  ]);
  note('Thing a').focus();
  fireEvent.keyDown(note('Thing a'), { key: 'End' });
  expect(document.activeElement).toBe(note('Thing c'));
  fireEvent.keyDown(note('Thing c'), { key: 'ArrowUp' });
  expect(document.activeElement).toBe(note('Thing b'));
  expect(note('Thing b').tabIndex).toBe(0);
  fireEvent.keyDown(note('Thing b'), { key: 'Home' });
  expect(document.activeElement).toBe(note('Thing a'));
});

it('opens a card beside its words, which Escape closes, and the note has the focus again', () => {
  render(<Shown />);
  fireEvent.click(note('Thing b'));
  expect(note('Thing b').getAttribute('aria-expanded')).toBe('true');
  const input = screen.getByLabelText('setting of b');
  input.focus();
  // arrows in a card are the input's own
  fireEvent.keyDown(input, { key: 'ArrowDown' });
  expect(document.activeElement).toBe(input);
  fireEvent.keyDown(input, { key: 'Escape' });
  expect(screen.queryByLabelText('setting of b')).toBeNull();
  expect(document.activeElement).toBe(note('Thing b'));
});
