// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it } from 'vitest';
import type { Bench, Field } from '../bench/bench';
import type { Settings } from '../useTemplate';
import { FieldsTable } from './FieldsTable';

afterEach(cleanup);

const field = (name: string, label: string, items: Field[] = []): Field => ({
  name,
  label,
  type: items.length ? 'ITEMS' : 'TEXT',
  required: false,
  hint: '',
  choices: [],
  items,
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
});
const before = {
  fields: [
    field('z', 'Zither'),
    field('objects', 'Objects', [
      field('title', 'Title'),
      field('parts', 'Parts', [field('n', 'Name')]),
    ]),
    field('a', 'Accordion'),
  ],
} as unknown as Settings;
let now = before;

function Shown({ fixed = false }: { fixed?: boolean }) {
  const [settings, setSettings] = useState(before);
  now = settings;
  const detail = { advice: [{ code: 'field-unused', place: 'z' }] } as unknown as Bench['detail'];
  const bench: Bench = {
    detail,
    settings,
    fixed,
    document: 'wording',
    unsaved: false,
    change: setSettings,
    took: () => undefined,
  };
  return (
    <MemoryRouter>
      <FieldsTable bench={bench} />
    </MemoryRouter>
  );
}

const labels = () =>
  screen
    .getAllByRole('textbox', { name: /^Label of/ })
    .map((one) => (one as HTMLInputElement).value);

it('has a row for every field, those of lists within lists too, edited in place', () => {
  render(<Shown />);
  expect(labels()).toEqual(['Zither', 'Objects', 'Title', 'Parts', 'Name', 'Accordion']);
  fireEvent.change(screen.getByLabelText('Label of Objects: Parts: Name'), {
    target: { value: 'Part' },
  });
  expect(now.fields[1]?.items[1]?.items[0]?.label).toBe('Part');
});

it('is sorted by a column either way, and filtered', () => {
  render(<Shown />);
  fireEvent.click(screen.getByRole('button', { name: /^Label in the form/ }));
  expect(labels()[0]).toBe('Accordion');
  fireEvent.click(screen.getByRole('button', { name: /^Label in the form/ }));
  expect(labels()[0]).toBe('Zither');
  fireEvent.change(screen.getByRole('searchbox'), { target: { value: 'parts' } });
  expect(labels()).toEqual(['Name', 'Parts']);
});

it('changes several at once, those that are chosen and shown', () => {
  render(<Shown />);
  fireEvent.click(screen.getByLabelText('Choose Zither'));
  fireEvent.click(screen.getByLabelText('Choose Objects: Title'));
  const group = screen.getByRole('group', { name: 'Change the chosen rows' });
  expect(within(group).getByText('2 rows chosen:')).toBeTruthy();
  // one of them is used, so that both can't go
  expect(within(group).queryByRole('button', { name: 'Remove' })).not.toBeNull();
  fireEvent.click(within(group).getByRole('button', { name: 'Make required' }));
  expect([
    now.fields[0]?.required,
    now.fields[1]?.items[0]?.required,
    now.fields[2]?.required,
  ]).toEqual([true, true, false]);
  fireEvent.change(within(group).getByLabelText('Type of all of them'), {
    target: { value: 'DATE' },
  });
  expect([now.fields[0]?.type, now.fields[1]?.items[0]?.type]).toEqual(['DATE', 'DATE']);
});

it('removes only what nothing uses', () => {
  render(<Shown />);
  fireEvent.click(screen.getByLabelText('Choose Accordion'));
  expect(screen.queryByRole('button', { name: 'Remove' })).toBeNull();
  fireEvent.click(screen.getByLabelText('Choose Accordion'));
  fireEvent.click(screen.getByLabelText('Choose Zither'));
  fireEvent.click(screen.getByRole('button', { name: 'Remove' }));
  expect(now.fields.map(({ name }) => name)).toEqual(['objects', 'a']);
});

it('only shows what is published', () => {
  render(<Shown fixed />);
  expect(screen.queryByLabelText('Choose Zither')).toBeNull();
  expect(screen.getByLabelText<HTMLInputElement>('Label of Zither').disabled).toBe(true);
});
