// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem } from '../api/client';
import type { SigningPage } from './useAct';
import { useKeptAnswers } from './useKeptAnswers';

const server = vi.hoisted(() => ({
  away: false,
  refuses: false,
  slow: 0,
  asked: 0,
  kept: [] as Record<string, string>[],
}));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const put = (_: string, { body }: { body: { values: Record<string, string> } }) => {
    server.asked++;
    if (server.away) return Promise.reject(new TypeError('no connection'));
    if (server.refuses)
      return Promise.resolve({
        error: { detail: 'too much' },
        response: new Response(null, { status: 422 }),
      });
    return new Promise((resolve) => {
      setTimeout(() => {
        server.kept.push(body.values);
        resolve({ data: undefined, response: new Response(null, { status: 204 }) });
      }, server.slow);
    });
  };
  return { ...client, api: { PUT: put } };
});

const page = (more: Partial<SigningPage> = {}) =>
  ({
    standing: 'TURN',
    ended: '',
    identity: { shown: true },
    begun: { remarks: 'from before' },
    ...more,
  }) as SigningPage;

function Typing({ of, typed }: { of: SigningPage; typed: Record<string, string> }) {
  const trouble = useKeptAnswers('token', of, typed);
  return <output>{trouble instanceof Problem ? trouble.message : trouble}</output>;
}

const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('what is typed', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    server.away = false;
    server.refuses = false;
    server.slow = 0;
    server.asked = 0;
    server.kept = [];
  });
  afterEach(() => {
    cleanup();
    vi.useRealTimers();
  });

  it('is kept when typing rests, with what was kept before, and nothing is before anything is typed', async () => {
    const { rerender } = render(<Typing of={page()} typed={{}} />);
    await pass(2000);
    expect(server.kept).toEqual([]);
    rerender(<Typing of={page()} typed={{ number: '1' }} />);
    await pass(300);
    rerender(<Typing of={page()} typed={{ number: '12' }} />);
    await pass(800);
    expect(server.kept).toEqual([{ remarks: 'from before', number: '12' }]);
  });

  it('is tried again when the connection was lost, and the newest is what is kept', async () => {
    server.away = true;
    const { rerender } = render(<Typing of={page()} typed={{ number: '1' }} />);
    await pass(1000);
    expect(screen.getByRole('status').textContent).toBe('away');
    server.away = false;
    await pass(9000);
    expect(screen.getByRole('status').textContent).toBe('');
    expect(server.kept).toEqual([{ remarks: 'from before', number: '1' }]);
    server.away = true;
    rerender(<Typing of={page()} typed={{ number: '2' }} />);
    await pass(1000);
    server.away = false;
    rerender(<Typing of={page()} typed={{ number: '3' }} />);
    await pass(20000);
    expect(server.kept.slice(1)).toEqual([{ remarks: 'from before', number: '3' }]);
  });

  it('arrives in its order, however slow the connection is', async () => {
    server.slow = 5000;
    const { rerender } = render(<Typing of={page()} typed={{ number: '1' }} />);
    await pass(1000);
    server.slow = 0;
    rerender(<Typing of={page()} typed={{ number: '12' }} />);
    await pass(8000);
    expect(server.kept.map(({ number }) => number)).toEqual(['1', '12']);
  });

  it('is not sent again when it was refused, and that is told', async () => {
    server.refuses = true;
    render(<Typing of={page()} typed={{ number: '1' }} />);
    await pass(60_000);
    expect(server.asked).toBe(1);
    expect(screen.getByRole('status').textContent).toBe('too much');
  });

  it('is not kept by who has nothing to do', async () => {
    render(<Typing of={page({ standing: 'DONE' })} typed={{ number: '1' }} />);
    await pass(2000);
    expect(server.kept).toEqual([]);
  });
});
