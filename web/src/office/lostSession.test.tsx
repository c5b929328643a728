// @vitest-environment jsdom
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { MemoryRouter } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { answer, api, Problem, type Schemas } from '../api/client';
import { Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { SignInAgain } from './SignInAgain';

const nora = {
  name: 'Nora',
  mail: 'nora@example.org',
  roles: ['COORDINATOR'],
} as Schemas['Session'];

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

function Room() {
  const [typed, setTyped] = useState('');
  const query = useQuery({
    queryKey: ['room'],
    queryFn: () => answer(api.GET('/api/v1/clauses')),
    retry: false,
  });
  return (
    <>
      <input aria-label="Typed" value={typed} onChange={(event) => setTyped(event.target.value)} />
      {query.data ? <p>the room</p> : <Unshown query={query} waiting="opening" />}
      <SignInAgain mail={nora.mail} />
    </>
  );
}

const refused = (status: number) =>
  ({ error: {}, response: new Response(null, { status }) }) as never;
const given = (data: unknown) => ({ data, response: new Response() }) as never;

function show() {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>
        <Room />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}

it('asks for the password where one is, keeps what was typed, and then shows the room', async () => {
  const get = vi.spyOn(api, 'GET').mockResolvedValue(refused(401));
  vi.spyOn(api, 'POST').mockResolvedValue(given({ session: nora, shows: [] }));
  show();
  fireEvent.change(screen.getByLabelText('Typed'), { target: { value: 'half a sentence' } });
  const password = await screen.findByLabelText('Password');
  expect(screen.queryByRole('alert')).toBeNull();
  get.mockResolvedValue(given({ rows: [] }));
  fireEvent.change(password, { target: { value: 'open-the-slats' } });
  fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));
  await screen.findByText('the room');
  await waitFor(() => expect(screen.queryByLabelText('Password')).toBeNull());
  expect(screen.getByLabelText('Typed')).toHaveProperty('value', 'half a sentence');
});

it('says what went wrong and tries again when asked to', async () => {
  const get = vi.spyOn(api, 'GET').mockResolvedValue(refused(503));
  show();
  expect((await screen.findByRole('alert')).textContent).toContain('can’t do this just now');
  get.mockResolvedValue(given({ rows: [] }));
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  await screen.findByText('the room');
  expect(screen.queryByRole('alert')).toBeNull();
});

it('tells a session that ended by the dialog only, not in place too', () => {
  render(<Trouble error={new Problem('Your session has ended.', 401, {})} />);
  expect(screen.queryByRole('alert')).toBeNull();
  cleanup();
  render(<Trouble error={new Problem('Another one.', 409, {})} />);
  expect(screen.getByRole('alert').textContent).toBe('Another one.');
});

it('keeps a signed-out answer from being told twice', () => {
  const query = { error: new Problem('out', 401, {}), isFetching: false, refetch: vi.fn() };
  render(<Unshown query={query} waiting="opening" />);
  expect(screen.getByRole('status').textContent).toBe('opening');
});
