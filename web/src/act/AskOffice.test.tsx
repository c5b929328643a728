// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { Trouble } from '../ui/parts';
import { AskOffice } from './AskOffice';
import { useAct, type SigningPage } from './useAct';

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const refused = {
    data: undefined,
    error: { detail: 'Too many questions.', message: { code: 'none', arguments: {} } },
    response: new Response(null, { status: 409 }),
  };
  const page = { data: { language: 'en' }, response: new Response(null, { status: 200 }) };
  return {
    ...client,
    api: { GET: () => Promise.resolve(page), POST: () => Promise.resolve(refused) },
  };
});

afterEach(cleanup);

function Page() {
  const act = useAct('x');
  const page = { office: 'Museum', questions: [] } as unknown as SigningPage;
  return (
    <>
      <section aria-label="part">
        <Trouble error={act.error} />
      </section>
      <AskOffice page={page} act={act} />
    </>
  );
}

it('tells what went wrong with a question at the question, once, and keeps what was typed', async () => {
  render(<Page />);
  fireEvent.click(screen.getByRole('button', { name: 'Ask a question' }));
  fireEvent.change(screen.getByRole('textbox'), { target: { value: 'Why?' } });
  const send = screen.getByRole<HTMLButtonElement>('button', { name: 'Send the question' });
  await waitFor(() => expect(send.disabled).toBe(false));
  fireEvent.click(send);
  expect((await screen.findByRole('alert')).textContent).toContain('Too many questions.');
  expect(screen.getByRole('region', { name: 'part' }).textContent).toBe('');
  expect(screen.getByRole<HTMLTextAreaElement>('textbox').value).toBe('Why?');
});
