// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { api, type Schemas } from '../api/client';
import { useDrawing, useProof } from './useProof';

type Work = Schemas['Work'];

const detail = { id: 't', revision: 3, content: {} } as Schemas['TemplateDetail'];
const work = (state: Work['state'], done: number): Work => ({
  state,
  done,
  total: 4,
  reason: '',
  current: true,
});

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

it('shows who comes back how far the drawing up is, and hands the draft on when it ends', async () => {
  let drawing = work('RUNNING', 1);
  vi.spyOn(api, 'GET').mockImplementation(((path: string) =>
    Promise.resolve({
      data: path.endsWith('/proof') ? { work: null, proof: null, drawing } : detail,
      response: new Response(),
    })) as never);
  const taken = vi.fn();
  const client = new QueryClient();
  const { result } = renderHook(
    () => {
      const proof = useProof('t');
      return { drawing: proof.drawing, drawUp: useDrawing(detail, proof.drawing, taken) };
    },
    {
      wrapper: ({ children }) => (
        <QueryClientProvider client={client}>{children}</QueryClientProvider>
      ),
    },
  );
  await waitFor(() => expect(result.current.drawing?.done).toBe(1));
  expect(result.current.drawUp.going).toBe(true);
  expect(taken).not.toHaveBeenCalled();
  drawing = work('DONE', 4);
  await act(() => client.invalidateQueries());
  await waitFor(() => expect(taken).toHaveBeenCalledTimes(1));
  expect(result.current.drawUp.going).toBe(false);
});

it('says nothing of a drawing up that failed for another state of the draft', async () => {
  vi.spyOn(api, 'GET').mockResolvedValue({
    data: {
      work: null,
      proof: null,
      drawing: { ...work('FAILED', 1), reason: 'changed meanwhile', current: false },
    },
    response: new Response(),
  } as never);
  const client = new QueryClient();
  const { result } = renderHook(
    () => {
      const proof = useProof('t');
      return { drawing: proof.drawing, drawUp: useDrawing(detail, proof.drawing, vi.fn()) };
    },
    {
      wrapper: ({ children }) => (
        <QueryClientProvider client={client}>{children}</QueryClientProvider>
      ),
    },
  );
  await waitFor(() => expect(result.current.drawing?.state).toBe('FAILED'));
  expect(result.current.drawUp.failed).toBe('');
});

it('does not touch the draft for a drawing up that had ended before', async () => {
  vi.spyOn(api, 'GET').mockResolvedValue({
    data: { work: null, proof: null, drawing: work('DONE', 4) },
    response: new Response(),
  } as never);
  const taken = vi.fn();
  const { result } = renderHook(
    () => {
      const proof = useProof('t');
      return { drawing: proof.drawing, drawUp: useDrawing(detail, proof.drawing, taken) };
    },
    {
      wrapper: ({ children }) => (
        <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
      ),
    },
  );
  await waitFor(() => expect(result.current.drawing?.state).toBe('DONE'));
  expect(taken).not.toHaveBeenCalled();
});
