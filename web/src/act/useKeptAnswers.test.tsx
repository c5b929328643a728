// @vitest-environment jsdom
import { act, cleanup, render } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SigningPage } from './useAct';
import { useKeptAnswers } from './useKeptAnswers';

const server = vi.hoisted(() => ({ away: false, kept: [] as Record<string, string>[] }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const put = (_: string, { body }: { body: { values: Record<string, string> } }) => {
    if (server.away) return Promise.reject(new TypeError('no connection'));
    server.kept.push(body.values);
    return Promise.resolve({ data: undefined, response: new Response(null, { status: 204 }) });
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
  useKeptAnswers('token', of, typed);
  return null;
}

const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('what is typed', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    server.away = false;
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
    server.away = false;
    await pass(9000);
    expect(server.kept).toEqual([{ remarks: 'from before', number: '1' }]);
    server.away = true;
    rerender(<Typing of={page()} typed={{ number: '2' }} />);
    await pass(1000);
    server.away = false;
    rerender(<Typing of={page()} typed={{ number: '3' }} />);
    await pass(20000);
    expect(server.kept.slice(1)).toEqual([{ remarks: 'from before', number: '3' }]);
  });

  it('is not kept by who has nothing to do', async () => {
    render(<Typing of={page({ standing: 'DONE' })} typed={{ number: '1' }} />);
    await pass(2000);
    expect(server.kept).toEqual([]);
  });
});
