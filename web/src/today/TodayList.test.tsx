// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter, useLocation } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import type { Group, Row } from './groups';
import { TodayList } from './TodayList';

afterEach(cleanup);

const row = (number: string, more: Partial<Row> = {}): Row => ({
  key: number,
  to: `/agreements/${number}`,
  number,
  title: `Loan ${number}`,
  template: 'Loan',
  reason: '',
  since: '2026-11-20T09:00:00Z',
  ...more,
});
const group = (name: Group['name'], rows: Row[], total = rows.length): Group => ({
  name,
  title: `Group ${name}`,
  rows,
  total,
  act: `Do ${name}`,
  more: true,
});

function At() {
  return <output>{useLocation().pathname}</output>;
}

function show(groups: Group[], onAct = () => false, onMore = () => undefined) {
  render(
    <MemoryRouter>
      <TodayList groups={groups} busy={false} onAct={onAct} onMore={onMore} />
      <At />
    </MemoryRouter>,
  );
}

it('is one table with one header and a heading for each group that has rows', () => {
  show([
    group('stuck', [row('A-1', { reason: 'The seal is away', template: '' })]),
    group('out', []),
    group('check', [row('A-2')]),
  ]);
  expect(screen.getAllByRole('table')).toHaveLength(1);
  expect(screen.getAllByRole('columnheader').map((one) => one.textContent)).toEqual([
    'Number',
    'What',
    'Template',
    'Since',
    'Next act',
  ]);
  expect(screen.getAllByRole('rowheader').map((one) => one.textContent)).toEqual([
    'Group stuck 1',
    'Group check 1',
  ]);
});

it('gives the room of what a group has nothing in to the column before', () => {
  show([
    group('stuck', [row('A-1', { reason: 'The seal is away', template: '' })]),
    group('check', [row('A-2')]),
  ]);
  const wide = screen.getByText('The seal is away').closest('td');
  expect(wide?.colSpan).toBe(2);
  expect(screen.getByText('Loan A-2').closest('td')?.colSpan).toBe(1);
});

it('does the row’s next act on Enter and on its button, and walks rows over groups', () => {
  const onAct = vi.fn(() => false);
  show([group('check', [row('A-1'), row('A-2')]), group('out', [row('A-3')])], onAct);
  const rows = document.querySelectorAll<HTMLElement>('tr[data-row]');
  rows[0]?.focus();
  fireEvent.keyDown(rows[0] as HTMLElement, { key: 'End' });
  expect(document.activeElement).toBe(rows[2]);
  fireEvent.keyDown(rows[2] as HTMLElement, { key: 'Enter' });
  expect(screen.getByRole('status').textContent).toBe('/agreements/A-3');
  fireEvent.click(screen.getByRole('button', { name: /^Do check\s+A-2$/ }));
  expect(onAct).toHaveBeenCalledTimes(2);
  expect(screen.getByRole('status').textContent).toBe('/agreements/A-2');
});

it('stays when the act is done here', () => {
  show([group('stuck', [row('A-1')])], () => true);
  fireEvent.click(screen.getByRole('button', { name: /^Do stuck\s+A-1$/ }));
  expect(screen.getByRole('status').textContent).toBe('/');
});

it('says how many older ones there are, and shows them', () => {
  const onMore = vi.fn();
  show([group('check', [row('A-1')], 51)], () => false, onMore);
  fireEvent.click(screen.getByRole('button', { name: 'Show 50 older ones' }));
  expect(onMore).toHaveBeenCalled();
});
