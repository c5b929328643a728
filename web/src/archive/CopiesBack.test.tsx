// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { CopiesBack } from './CopiesBack';

const copies = vi.hoisted(() => ({ left: 2, asked: [] as unknown[] }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const copy = (mail: string, recipient: string) => ({
    mail,
    agreement: 'A-1',
    subject: 'Completed',
    recipient,
    because: '5.1.1 no such mailbox',
    since: '2026-11-28T10:00:00Z',
  });
  const all = [copy('m1', 'one@gone.example.org'), copy('m2', 'two@gone.example.org')];
  return {
    ...client,
    api: {
      GET: () =>
        Promise.resolve({
          data: all.slice(2 - copies.left),
          response: new Response(null, { status: 200 }),
        }),
      POST: (...said: unknown[]) => {
        copies.asked.push(said[1]);
        copies.left--;
        return Promise.resolve({ data: undefined, response: new Response(null, { status: 204 }) });
      },
    },
  };
});

afterEach(cleanup);

it('sends a copy that came back to another address, and leaves the other one', async () => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <CopiesBack number="A-1" />
    </QueryClientProvider>,
  );
  const [first] = await screen.findAllByRole<HTMLInputElement>('textbox', { name: 'Send it to' });
  expect(first?.value).toBe('one@gone.example.org');
  expect(screen.getByText(/The copy to one@gone.example.org came back: 5.1.1/)).toBeDefined();
  fireEvent.change(first as Element, { target: { value: 'one@new.example.org' } });
  fireEvent.click(screen.getAllByRole('button', { name: 'Send the copy again' })[0] as Element);
  expect((await screen.findByRole('status')).textContent).toContain('one@new.example.org');
  expect(copies.asked).toEqual([
    {
      params: { path: { number: 'A-1', mail: 'm1' } },
      body: { mail: 'one@new.example.org' },
    },
  ]);
  expect(screen.queryByText(/one@gone/)).toBeNull();
  expect(screen.getByText(/two@gone/)).toBeDefined();
});
