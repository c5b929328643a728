// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { Blocks } from './Blocks';

type Block = Schemas['Block'];

const said = (text: string, more: Partial<Schemas['Stretch']> = {}): Schemas['Stretch'] => ({
  text,
  strong: false,
  slanted: false,
  field: '',
  picture: 0,
  link: '',
  ...more,
});
const block = (kind: Block['kind'], text: string, more: Partial<Block> = {}): Block => ({
  kind,
  level: 0,
  label: '',
  page: 1,
  stretches: text ? [said(text)] : [],
  rows: [],
  ...more,
});
const show = (blocks: Block[]) =>
  render(<Blocks blocks={blocks} stretch={(one) => <b>{`place of ${one.field}`}</b>} top={3} />);

describe('a text that is read', () => {
  afterEach(cleanup);

  it('has headings, numbered clauses and lists as they are', () => {
    show([
      block('HEADING', 'Loan', { level: 1 }),
      block('PARAGRAPH', 'The lender lends.', { label: '2.1' }),
      block('ITEM', 'a viola', { level: 1, label: 'a)' }),
      block('ITEM', 'its bow', { level: 2, label: 'i.' }),
      block('PARAGRAPH', 'After it.'),
    ]);
    expect(screen.getByRole('heading', { level: 3, name: 'Loan' })).toBeTruthy();
    expect(screen.getByText('2.1')).toBeTruthy();
    const items = within(screen.getByRole('list')).getAllByRole('listitem');
    expect(items.map((one) => one.textContent)).toEqual(['a) a viola', 'i. its bow']);
  });

  it('tells where a page begins, once, and not of the first', () => {
    show([
      block('PARAGRAPH', 'one'),
      block('PARAGRAPH', 'two', { page: 2 }),
      block('PARAGRAPH', 'still two', { page: 2 }),
      block('NOTE', 'a note of page one', { page: 1 }),
      block('PARAGRAPH', 'three', { page: 3 }),
    ]);
    expect(screen.getAllByText(/^page \d$/).map((one) => one.textContent)).toEqual([
      'page 2',
      'page 3',
    ]);
  });

  it('says of each value in a table which column it is of', () => {
    const cell = (heading: boolean, text: string, columns = 1): Schemas['Cell'] => ({
      heading,
      columns,
      rows: 1,
      blocks: [block('PARAGRAPH', text)],
    });
    show([
      block('TABLE', '', {
        rows: [
          { page: 1, cells: [cell(true, 'No.'), cell(true, 'Object')] },
          { page: 1, cells: [cell(false, '1'), cell(false, 'viola')] },
          { page: 1, cells: [cell(false, 'together', 2)] },
        ],
      }),
    ]);
    const rows = screen.getAllByRole('row');
    expect(rows).toHaveLength(3);
    expect(screen.getAllByRole('columnheader')).toHaveLength(2);
    expect(rows[1]?.textContent).toBe('No.1Objectviola');
    // a cell over several columns is of none
    expect(rows[2]?.textContent).toBe('together');
  });

  it('has fields where they stand, and leads to addresses outside without telling from where', () => {
    show([
      block('PARAGRAPH', '', {
        stretches: [
          said('see '),
          said('the rules', { link: 'https://example.org/' }),
          said('', { field: 'lender_vat_number' }),
        ],
      }),
    ]);
    expect(screen.getByText('place of lender_vat_number')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'the rules' }).getAttribute('rel')).toBe('noreferrer');
  });
});
