// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Field } from '../bench';
import { FieldDefault } from './FieldDefault';

type Body = { body: { values: Record<string, string> } };
type Read = { values: Record<string, string>; faults: Record<string, string> };

const server = vi.hoisted(() => ({ asked: [] as { text: string; say: (read: Read) => void }[] }));

vi.mock('../../../api/client', async (original) => {
  const client = await original<typeof import('../../../api/client')>();
  const post = (_: string, { body }: Body) =>
    new Promise((resolve) => {
      server.asked.push({
        text: body.values['fee'] ?? '',
        say: (data) => resolve({ data, response: new Response(null, { status: 200 }) }),
      });
    });
  return { ...client, api: { POST: post } };
});

const fee: Field = {
  name: 'fee',
  type: 'MONEY',
  label: 'Fee',
  required: true,
  hint: '',
  choices: [],
  items: [],
  initial: 'EUR 75.00',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
};

function Card() {
  const [initial, setInitial] = useState(fee.initial);
  return (
    <QueryClientProvider client={new QueryClient()}>
      <FieldDefault field={{ ...fee, initial }} language="de-DE" onChange={setInitial} />
      <button onClick={() => setInitial('EUR 1.00')}>take back</button>
      <output>{initial}</output>
    </QueryClientProvider>
  );
}

const box = () => screen.getByRole<HTMLInputElement>('textbox');
const type = (text: string) => fireEvent.change(box(), { target: { value: text } });
const asked = (count: number) => waitFor(() => expect(server.asked).toHaveLength(count));
const kept = () => screen.getByRole('status').textContent;

describe('what a form begins with', () => {
  afterEach(() => {
    cleanup();
    server.asked = [];
  });

  it('is shown and read as the language writes it', async () => {
    render(<Card />);
    expect(box().value).toBe('EUR 75,00');
    type('EUR 12,50');
    await asked(1);
    expect(server.asked[0]?.text).toBe('EUR 12,50');
    act(() => server.asked[0]?.say({ values: { fee: 'EUR 12.50' }, faults: {} }));
    await waitFor(() => expect(kept()).toBe('EUR 12.50'));
    expect(box().value).toBe('EUR 12,50');
  });

  it('stays as it was while what is typed can’t be read, and says so', async () => {
    render(<Card />);
    type('much');
    await asked(1);
    act(() => server.asked[0]?.say({ values: {}, faults: { fee: 'This is no amount.' } }));
    await screen.findByText('This is no amount.');
    expect(kept()).toBe('EUR 75.00');
    expect(box().value).toBe('much');
  });

  it('is not set by an answer to what was typed before', async () => {
    render(<Card />);
    type('EUR 1');
    await asked(1);
    type('EUR 12');
    await asked(2);
    act(() => server.asked[1]?.say({ values: { fee: 'EUR 12.00' }, faults: {} }));
    await waitFor(() => expect(kept()).toBe('EUR 12.00'));
    act(() => server.asked[0]?.say({ values: { fee: 'EUR 1.00' }, faults: {} }));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(kept()).toBe('EUR 12.00');
  });

  it('follows what is taken back', () => {
    render(<Card />);
    fireEvent.click(screen.getByRole('button', { name: 'take back' }));
    expect(box().value).toBe('EUR 1,00');
  });
});
