// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { sessionEnd } from '../api/client';
import { useTemplate, type Settings } from './useTemplate';

const server = vi.hoisted(() => ({ signedIn: false, revision: 1, language: 'en-GB', puts: 0 }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const answer = (status: number) =>
    Promise.resolve({
      data: {
        version: 1,
        revision: server.revision,
        content: { language: server.language },
      },
      error: status === 200 ? undefined : {},
      response: new Response(null, { status }),
    });
  const put = (_: string, { body }: { body: { content: { language: string } } }) => {
    server.puts++;
    if (!server.signedIn) return answer(401);
    server.revision++;
    server.language = body.content.language;
    return answer(200);
  };
  return { ...client, api: { GET: () => answer(200), PUT: put } };
});

function Room() {
  const { draft, change, unsaved } = useTemplate('t');
  return (
    <>
      <button onClick={() => change({ ...draft, language: 'nl' } as Settings)}>type</button>
      <p>{draft ? `${draft.language} ${unsaved ? 'unsaved' : 'saved'}` : 'waiting'}</p>
    </>
  );
}

describe('settings typed when the session had ended', () => {
  afterEach(cleanup);

  it('are saved by themselves when the person has signed in again', async () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <Room />
      </QueryClientProvider>,
    );
    await screen.findByText('en-GB saved');
    fireEvent.click(screen.getByRole('button', { name: 'type' }));
    await waitFor(() => expect(server.puts).toBe(1), { timeout: 3000 });
    expect(screen.getByText('nl unsaved')).toBeTruthy();
    server.signedIn = true;
    act(() => void sessionEnd.dispatchEvent(new Event('renewed')));
    await screen.findByText('nl saved', undefined, { timeout: 3000 });
    expect(server.language).toBe('nl');
    expect(server.puts).toBe(2);
  });
});
