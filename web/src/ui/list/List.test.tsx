// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { afterEach, describe, expect, it } from 'vitest';
import { Problem } from '../../api/client';
import type { Column } from './List';
import { ListRoom } from './ListRoom';
import { Chips, Filter } from './ListTools';
import { readWidths, useListPlace, writeWidths } from './useListPlace';

type Row = { number: string; title: string; note: string };

const columns: Column<Row>[] = [
  { id: 'number', title: 'Number', width: 100, sort: 'number', cell: (row) => row.number },
  { id: 'title', title: 'Title', width: 300, cell: (row) => row.title },
  {
    id: 'note',
    title: 'Note',
    width: 200,
    cell: (row) => row.note,
    present: (row) => row.note !== '',
  },
];
const rows: Row[] = ['one', 'two', 'three'].map((number) => ({
  number,
  title: `T ${number}`,
  note: '',
}));

function Where() {
  const { pathname, search } = useLocation();
  return <output>{pathname + decodeURIComponent(search)}</output>;
}

function Room({ query }: { query: object }) {
  const place = useListPlace();
  return (
    <>
      <Filter label="Find" value={place.find} onChange={(find) => place.go({ find, page: '' })} />
      <Chips
        label="State"
        options={[
          { value: 'OUT', words: 'with somebody' },
          { value: 'DONE', words: 'done' },
        ]}
        chosen={place.params.get('state') ?? ''}
        onChoose={(state) => place.go({ state })}
      />
      <ListRoom
        label="Things"
        query={query as never}
        place={place}
        columns={columns}
        keyOf={(row: Row) => row.number}
        to={(row: Row) => `/things/${row.number}`}
        waiting="Looking…"
        empty="Nothing yet."
      />
    </>
  );
}

function show(query: object, at = '/list') {
  render(
    <MemoryRouter initialEntries={[at]}>
      <Routes>
        <Route path="*" element={<Room query={query} />} />
      </Routes>
      <Where />
    </MemoryRouter>,
  );
}

const found = (items: Row[], total = items.length) => ({
  data: { items, total, page: 0, size: 50 },
  isPending: false,
  error: null,
});
const where = () => screen.getByText(/^\//, { selector: 'output' }).textContent;

describe('the list', () => {
  afterEach(cleanup);

  it('is sorted by a column’s head, and turned round by pressing it again', () => {
    show(found(rows));
    const head = screen.getByRole('columnheader', { name: /Number/ });
    fireEvent.click(within(head).getByRole('button'));
    expect(where()).toBe('/list?sort=number');
    expect(head.getAttribute('aria-sort')).toBe('ascending');
    fireEvent.click(within(head).getByRole('button'));
    expect(where()).toBe('/list?sort=-number');
    expect(head.getAttribute('aria-sort')).toBe('descending');
    expect(
      within(screen.getByRole('columnheader', { name: /Title/ })).queryByRole('button'),
    ).toBeNull();
  });

  it('begins on its first page again when it is sorted otherwise', () => {
    show(found(rows, 200), '/list?page=3&find=x');
    fireEvent.click(screen.getByRole('button', { name: /Number/ }));
    expect(where()).toBe('/list?find=x&sort=number');
  });

  it('is walked by arrows and opened with Enter', () => {
    show(found(rows));
    const [first, second, third] = screen.getAllByRole('row').slice(1);
    first?.focus();
    fireEvent.keyDown(first as Element, { key: 'ArrowDown' });
    expect(document.activeElement).toBe(second);
    fireEvent.keyDown(second as Element, { key: 'End' });
    expect(document.activeElement).toBe(third);
    fireEvent.keyDown(third as Element, { key: 'ArrowDown' });
    expect(document.activeElement).toBe(third);
    fireEvent.keyDown(third as Element, { key: 'Enter' });
    expect(where()).toBe('/things/three');
  });

  it('keeps the widths that somebody has chosen in the address', () => {
    show(found(rows), '/list?widths=title-200.nonsense');
    const handle = screen.getByRole('separator', { name: 'Width of Title' });
    expect(handle.getAttribute('aria-valuenow')).toBe('200');
    fireEvent.keyDown(handle, { key: 'ArrowRight' });
    expect(where()).toBe('/list?widths=title-216');
    expect(readWidths(writeWidths({ title: 216.4, number: 90 }))).toEqual({
      title: 216,
      number: 90,
    });
  });

  it('leaves out a column in which nothing stands', () => {
    show(found(rows));
    expect(screen.queryByRole('columnheader', { name: /Note/ })).toBeNull();
    cleanup();
    show(found([...rows, { number: 'four', title: 'T', note: 'look' }]));
    expect(screen.getByRole('columnheader', { name: /Note/ })).toBeDefined();
  });

  it('says what belongs there when it is empty, and what is wrong when it can’t be fetched', () => {
    show(found([]));
    expect(screen.getByText('Nothing yet.')).toBeDefined();
    cleanup();
    show({ data: undefined, isPending: false, error: new Problem('It can’t be done.', 503, {}) });
    expect(screen.getByRole('alert').textContent).toBe('It can’t be done.');
    expect(screen.queryByText('Nothing yet.')).toBeNull();
  });

  it('is narrowed by a chip and by words, and the slash leads to the words', () => {
    show(found(rows));
    fireEvent.click(screen.getByRole('button', { name: 'done' }));
    expect(where()).toBe('/list?state=DONE');
    fireEvent.click(screen.getByRole('button', { name: /done/, pressed: true }));
    expect(where()).toBe('/list');
    fireEvent.keyDown(document.body, { key: '/' });
    expect(document.activeElement).toBe(screen.getByRole('searchbox', { name: 'Find' }));
  });

  it('walks a long list by the keys that it gives, and says that there are more than were counted', () => {
    const long = {
      items: rows,
      total: 1000,
      more: true,
      page: 1,
      size: 50,
      next: 'N',
      previous: 'P',
    };
    show({ data: long, isPending: false, error: null }, '/list?page=after.K');
    expect(screen.getByText(/51 to 53 of more than 1,000/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Next page' }));
    expect(where()).toBe('/list?page=after.N');
    fireEvent.click(screen.getByRole('button', { name: 'Page before' }));
    expect(where()).toBe('/list?page=before.P');
    cleanup();
    show({ data: { ...long, next: null }, isPending: false, error: null });
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Next page' }).disabled).toBe(
      true,
    );
  });

  it('turns its pages, and says how many there are when one is enough', () => {
    show(found(rows, 120));
    fireEvent.click(screen.getByRole('button', { name: 'Next page' }));
    expect(where()).toBe('/list?page=1');
    cleanup();
    show(found(rows));
    expect(screen.getByText('3 in all')).toBeDefined();
  });
});
