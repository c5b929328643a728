// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { newField } from '../templates/form/AddQuestion';
import { CellEdit } from './CellEdit';
import type { RegisterColumn, Row } from './registers';

const column: RegisterColumn = {
  field: { ...newField('Value', new Set()), name: 'value', type: 'MONEY' },
  unique: false,
  related: '',
};

const row: Row = {
  id: 'r1',
  label: 'Viola',
  values: { value: 'EUR 1250.50' },
  printed: { value: '€1,250.50' },
  related: {},
  revision: 3,
  gone: false,
  changedAt: '2027-03-15T09:00:00Z',
};

const server = vi.hoisted(() => ({
  asked: [] as { path: string; body: unknown }[],
  refuses: undefined as { detail: string; faults: Record<string, string> } | undefined,
}));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const PUT = (path: string, { body }: { body: unknown }) => {
    server.asked.push({ path, body });
    const status = server.refuses ? 422 : 200;
    return Promise.resolve({
      data: {},
      error: server.refuses,
      response: new Response(null, { status }),
    });
  };
  return { ...client, api: { PUT } };
});

function shown(refuses?: typeof server.refuses) {
  server.asked = [];
  server.refuses = refuses;
  render(
    <QueryClientProvider client={new QueryClient()}>
      <CellEdit register="objects" row={row} column={column} />
    </QueryClientProvider>,
  );
  return server.asked;
}

const open = () => fireEvent.click(screen.getByRole('button', { name: /Value of Viola/ }));
const input = () => screen.getByRole('textbox', { name: 'Value of Viola' });

afterEach(cleanup);

test('Enter keeps what was typed, based on the row as it was seen', async () => {
  const asked = shown();
  open();
  expect(input()).toHaveProperty('value', 'EUR 1,250.50');
  fireEvent.change(input(), { target: { value: 'EUR 7' } });
  fireEvent.keyDown(input(), { key: 'Enter' });
  await waitFor(() => expect(screen.queryByRole('textbox')).toBeNull());
  expect(asked).toEqual([
    {
      path: '/api/v1/registers/{register}/rows/{id}',
      body: { revision: 3, values: { value: 'EUR 7' }, language: 'en-GB' },
    },
  ]);
});

test('Escape, and Enter without a change, ask for nothing', () => {
  const asked = shown();
  open();
  fireEvent.change(input(), { target: { value: 'EUR 7' } });
  fireEvent.keyDown(input(), { key: 'Escape' });
  expect(screen.queryByRole('textbox')).toBeNull();
  open();
  fireEvent.keyDown(input(), { key: 'Enter' });
  expect(screen.queryByRole('textbox')).toBeNull();
  expect(asked).toEqual([]);
});

test('what can’t be kept stays to be mended, with the reason', async () => {
  shown({ detail: 'One cell.', faults: { value: 'Money is expected.' } });
  open();
  fireEvent.change(input(), { target: { value: 'lots' } });
  fireEvent.keyDown(input(), { key: 'Enter' });
  await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('Money is expected.'));
  expect(input()).toHaveProperty('value', 'lots');
});
