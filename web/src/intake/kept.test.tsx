// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { sessionEnd } from '../api/client';
import { forgetHere, leftHere, useKept } from './kept';

vi.mock('../api/client', async (original) => {
  const real = await original<typeof import('../api/client')>();
  const PUT = (_: string, { body }: { body: unknown }) => {
    asked.push(JSON.stringify(body));
    if (answers.status === 0) return Promise.reject(new TypeError('no connection'));
    const response = new Response(null, { status: answers.status });
    const error: unknown = answers.body ? JSON.parse(answers.body) : undefined;
    return Promise.resolve({ response, error });
  };
  return { ...real, api: { PUT } };
});

const asked = vi.hoisted(() => [] as string[]);
const answers = vi.hoisted(() => ({ status: 204, body: '' }));

beforeEach(() => {
  asked.length = 0;
  answers.status = 204;
  answers.body = '';
  window.localStorage.clear();
  vi.useFakeTimers({ shouldAdvanceTime: true });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const typed = (name: string) => JSON.stringify({ values: { lender: name }, people: {} });
const pause = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

test('answers are in the browser at once, and with the server when nobody types', async () => {
  const { result, rerender } = renderHook(({ now }) => useKept('k', 't', now), {
    initialProps: { now: undefined as string | undefined },
  });
  await pause(600);
  expect(result.current).toBe('nothing');
  rerender({ now: typed('I') });
  rerender({ now: typed('Ida') });
  expect(leftHere('k')).toEqual({ values: { lender: 'Ida' }, people: {} });
  expect(result.current).toBe('keeping');
  await pause(400);
  await waitFor(() => expect(result.current).toBe('kept'));
  expect(asked).toHaveLength(1);
  expect(asked[0]).toContain('"template":"t"');
  expect(leftHere('k')).toBeUndefined();
});

test('without a connection they stay in the browser, and are kept when it is back', async () => {
  answers.status = 0;
  const { result } = renderHook(() => useKept('k', 't', typed('Ida')));
  await pause(400);
  await waitFor(() => expect(result.current).toBe('not-kept'));
  expect(leftHere('k')?.values.lender).toBe('Ida');
  answers.status = 204;
  await pause(5000);
  await waitFor(() => expect(result.current).toBe('kept'));
  expect(leftHere('k')).toBeUndefined();
});

test('they are kept when somebody whose session had ended signs in again', async () => {
  answers.status = 401;
  const { result } = renderHook(() => useKept('k', 't', typed('Ida')));
  await pause(400);
  await waitFor(() => expect(result.current).toBe('not-kept'));
  answers.status = 204;
  act(() => void sessionEnd.dispatchEvent(new Event('renewed')));
  await waitFor(() => expect(result.current).toBe('kept'));
});

test('a form that was handed in meanwhile is kept no more', async () => {
  answers.status = 409;
  answers.body = JSON.stringify({
    detail: 'handed in',
    message: { code: 'form.handed-in', arguments: {} },
  });
  const { result, rerender } = renderHook(({ now }) => useKept('k', 't', now), {
    initialProps: { now: typed('Ida') },
  });
  await pause(400);
  await waitFor(() => expect(result.current).toBe('nothing'));
  rerender({ now: typed('Ida M') });
  await pause(400);
  expect(leftHere('k')).toBeUndefined();
  expect(asked).toHaveLength(1);
});

test('what is left of one form is no other’s, and a damaged one is none', () => {
  window.localStorage.setItem('jalousie.form.k', '{broken');
  expect(leftHere('k')).toBeUndefined();
  window.localStorage.setItem('jalousie.form.k', typed('Ida'));
  expect(leftHere('other')).toBeUndefined();
  forgetHere('k');
  expect(leftHere('k')).toBeUndefined();
});
