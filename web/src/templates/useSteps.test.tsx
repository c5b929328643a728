// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { useSteps } from './useSteps';

type Detail = Schemas['TemplateDetail'];

const server = vi.hoisted(() => ({ asked: [] as string[] }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const POST = (path: string) => {
    server.asked.push(path.split('/').at(-1) ?? '');
    return Promise.resolve({ data: { id: 't', revision: 8 }, response: new Response(null) });
  };
  return { ...client, api: { POST } };
});

afterEach(() => {
  cleanup();
  server.asked = [];
});

function show(detail: Partial<Detail>, unsaved = false) {
  const took = vi.fn();
  const whole = { id: 't', state: 'DRAFT', revision: 7, undo: '', redo: '', ...detail } as Detail;
  const queries = new QueryClient();
  queries.setQueryData(['template', 't'], whole);
  function Shown() {
    const { back, again } = useSteps(whole, unsaved, took);
    return (
      <>
        <output>{`${Boolean(back)} ${Boolean(again)}`}</output>
        <input aria-label="typed" />
      </>
    );
  }
  render(
    <QueryClientProvider client={queries}>
      <Shown />
    </QueryClientProvider>,
  );
  const paths = () => server.asked;
  return { paths, took };
}

it('takes back and makes again by keys', async () => {
  const { paths, took } = show({ undo: 'the field a', redo: 'the field b' });
  expect(screen.getByRole('status').textContent).toBe('true true');
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true });
  await waitFor(() => expect(took).toHaveBeenCalledTimes(1));
  fireEvent.keyDown(document.body, { key: 'Z', ctrlKey: true, shiftKey: true });
  await waitFor(() => expect(took).toHaveBeenCalledTimes(2));
  expect(paths()).toEqual(['undo', 'redo']);
});

it('leaves keys to what is being typed in, and does nothing where there is nothing', () => {
  const { paths } = show({ undo: 'the field a' });
  fireEvent.keyDown(screen.getByLabelText('typed'), { key: 'z', ctrlKey: true });
  fireEvent.keyDown(document.body, { key: 'z', ctrlKey: true, shiftKey: true });
  fireEvent.keyDown(document.body, { key: 'z' });
  expect(paths()).toEqual([]);
});

it('waits for what is not saved yet, and a published version takes nothing back', () => {
  show({ undo: 'the field a' }, true);
  expect(screen.getByRole('status').textContent).toBe('false false');
  cleanup();
  show({ undo: 'the field a', state: 'PUBLISHED' });
  expect(screen.getByRole('status').textContent).toBe('false false');
});
