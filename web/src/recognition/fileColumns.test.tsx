// @vitest-environment jsdom
import { render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { fileColumns } from './fileColumns';

type Row = Schemas['FinishedFileRow'];

const row: Row = {
  id: '1',
  revision: 1,
  name: 'loan.docx',
  state: 'READ',
  template: 'Loan',
  likeness: 98,
  differences: 0,
  missing: [],
  unsure: [],
  without: [],
  ready: false,
  reason: '',
  byHand: null,
  agreement: '',
  createdBy: 'Nora',
  createdAt: '2026-11-27T05:00:00Z',
};

/** What a row shows, cell by cell. */
function shown(one: Row, chosen: ReadonlySet<string> = new Set(), choose = vi.fn()) {
  render(
    <MemoryRouter>
      {fileColumns(chosen, choose, vi.fn())
        .filter((column) => !column.present || column.present(one))
        .map((column) => (
          <div key={column.id}>{column.cell(one)}</div>
        ))}
    </MemoryRouter>,
  );
}

describe('a file that was made elsewhere', () => {
  it('tells all that a person has to look at', () => {
    shown({
      ...row,
      differences: 2,
      missing: ['Mail address'],
      unsure: ['Fee'],
      without: ['Witness'],
    });
    expect(screen.getByText('Loan, 98 % of its words')).toBeDefined();
    expect(
      screen.getByText(
        '2 places differ; doesn’t say Mail address; not sure of Fee; no place for Witness',
      ),
    ).toBeDefined();
    expect(screen.queryByRole('checkbox')).toBeNull();
  });

  it('can be confirmed in the list only when it is ready', () => {
    const choose = vi.fn();
    shown({ ...row, ready: true }, new Set(), choose);
    screen.getByRole('checkbox', { name: 'Confirm loan.docx' }).click();
    expect(choose).toHaveBeenCalledWith('1', true);
  });

  it('leads on to where it is set up, or to its agreement', () => {
    shown({ ...row, state: 'BY_HAND', byHand: 'abc', template: '' });
    expect(screen.getByRole('link', { name: 'Set up by hand' }).getAttribute('href')).toBe(
      '/templates/abc',
    );
  });

  it('says why it can’t be taken in', () => {
    shown({ ...row, state: 'REFUSED', template: '', reason: 'It is locked.' });
    expect(screen.getByText('It is locked.')).toBeDefined();
    expect(screen.getByText('can’t be taken in')).toBeDefined();
  });
});
