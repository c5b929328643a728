// @vitest-environment jsdom
import { act, cleanup, renderHook } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../api/client';
import type { Answers } from './inputProps';
import { useFaults } from './useFaults';

const server = vi.hoisted(() => ({ faults: {} as Record<string, string>, answer: () => {} }));
vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  api: {
    POST: () =>
      new Promise((resolve) => {
        server.answer = () =>
          resolve({ response: new Response(), data: { values: {}, faults: server.faults } });
      }),
  },
}));

const form = {
  fields: [{ name: 'fee', type: 'MONEY', label: 'Fee', required: true }],
  language: 'en-GB',
} as unknown as Schemas['Form'];

function shown() {
  return renderHook(() => {
    const answers = useForm<Answers>({ defaultValues: { values: { fee: '' }, people: {} } });
    return {
      answers,
      fault: answers.formState.errors.values?.fee?.message,
      read: useFaults(form, answers),
    };
  });
}

beforeEach(() => {
  server.faults = {};
});
afterEach(cleanup);

test('a fault is told when its answer is left, and goes when the answer is mended', async () => {
  const { result } = shown();
  act(() => result.current.answers.setValue('values.fee', '12x'));
  server.faults = { fee: 'This is no amount.' };
  let reading = result.current.read('fee');
  await act(async () => {
    server.answer();
    await reading;
  });
  expect(result.current.fault).toBe('This is no amount.');
  act(() => result.current.answers.setValue('values.fee', 'EUR 12'));
  server.faults = {};
  reading = result.current.read('fee');
  await act(async () => {
    server.answer();
    await reading;
  });
  expect(result.current.fault).toBeUndefined();
});

test('what is still empty is no fault yet, and an answer typed on meanwhile is not blamed', async () => {
  const { result } = shown();
  await act(() => result.current.read('fee'));
  expect(result.current.fault).toBeUndefined();
  act(() => result.current.answers.setValue('values.fee', '12x'));
  server.faults = { fee: 'This is no amount.' };
  const reading = result.current.read('fee');
  act(() => result.current.answers.setValue('values.fee', '12x5'));
  await act(async () => {
    server.answer();
    await reading;
  });
  expect(result.current.fault).toBeUndefined();
});
