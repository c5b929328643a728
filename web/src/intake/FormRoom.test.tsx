// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { Link, MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import FormRoom from './FormRoom';

const asks = (field: string): Schemas['FormQuestion'] => ({
  field,
  help: '',
  placeholder: '',
  before: '',
  width: 'WHOLE',
  readOnly: false,
  tick: false,
  start: 'FIXED',
  totals: [],
  register: '',
});

const form = {
  template: '00000000-0000-0000-0000-000000000001',
  name: 'Loan',
  version: 1,
  language: 'en-GB',
  fields: [] as { name: string; type: string; label: string; required: boolean; hint: string }[],
  sections: [] as {
    title: string;
    help: string;
    questions: Schemas['FormQuestion'][];
  }[],
  initials: {},
  depends: false,
  languages: ['en-GB'],
  words: {},
  chosen: [] as { party: string; label: string; people: []; optional: boolean }[],
};
const detail = {
  row: { number: 'R-1', template: 'Loan', createdBy: 'Nora', createdAt: '', agreement: '' },
  form,
  values: {},
  people: {},
  agreementState: null as string | null,
};

vi.mock('./live/Live', () => ({ Live: () => null }));

const asked = vi.hoisted(() => [] as string[]);
const made = vi.hoisted(() => ({ agreements: 0 }));

vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const ask = (method: string) => (path: string) => {
    asked.push(`${method} ${path.replace('/api/v1', '')}`);
    const failed = path.endsWith('/agreement') && made.agreements++ === 0;
    const data = path.endsWith('/form')
      ? form
      : path.endsWith('/agreement')
        ? { agreement: 'A-1' }
        : detail;
    return Promise.resolve({
      data,
      error: failed ? { detail: 'Just now it can’t be done.' } : undefined,
      response: new Response(null, { status: failed ? 503 : 200 }),
    });
  };
  return { ...client, api: { GET: ask('GET'), POST: ask('POST'), PUT: ask('PUT') } };
});

describe('a form whose agreement could not be made at once', () => {
  afterEach(cleanup);

  it('does not become a second request when it is sent again', async () => {
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={['/intake/new/x']}>
          <Routes>
            <Route path="/intake/new/:template" element={<FormRoom />} />
            <Route path="/agreements/:number" element={<p>the agreement</p>} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    );
    const button = await screen.findByRole('button', { name: 'Make the agreement' });
    fireEvent.click(button);
    await screen.findByText('Just now it can’t be done.');
    await waitFor(() => expect(button).toHaveProperty('disabled', false));
    fireEvent.click(button);
    await screen.findByText('the agreement');
    expect(asked.filter((one) => one === 'POST /requests')).toHaveLength(1);
    expect(asked).toContain('PUT /requests/{number}');
  });
});

describe('a request whose agreement has been sent', () => {
  afterEach(() => {
    cleanup();
    detail.agreementState = null;
    form.chosen = [];
    form.fields = [];
    form.sections = [];
  });

  // the editor comes in a piece of its own, which a busy machine may take seconds to read
  beforeAll(() => import('./RichInput'), 60_000);

  it('can be read and not changed', async () => {
    detail.agreementState = 'OUT';
    form.chosen = [{ party: 'lender', label: 'Lender', people: [], optional: false }];
    form.fields = [{ name: 'terms', type: 'RICH_TEXT', label: 'Terms', required: false, hint: '' }];
    form.sections = [{ title: '', help: '', questions: [asks('terms')] }];
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={['/intake/R-1']}>
          <Routes>
            <Route path="/intake/:number" element={<FormRoom />} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    );
    await screen.findByText(/can’t change any more/);
    expect(screen.getByLabelText('Full name').matches(':disabled')).toBe(true);
    const rich = await screen.findByRole('textbox', { name: 'Terms' });
    expect(rich.getAttribute('contenteditable')).toBe('false');
    expect(screen.queryByRole('button', { name: /agreement/ })).toBeNull();
  });
});

describe('a form that was arranged', () => {
  afterEach(() => {
    cleanup();
    form.fields = [];
    form.sections = [];
  });

  it('asks in its sections and order, with its own help, and not for what it hides', async () => {
    const text = (name: string, hint: string) => ({
      name,
      type: 'TEXT',
      label: name,
      required: true,
      hint,
    });
    form.fields = [text('fee', 'In euro.'), text('lender', 'Full name.'), text('secret', '')];
    form.sections = [
      { title: 'Who', help: 'The other side.', questions: [asks('lender')] },
      { title: 'What', help: '', questions: [{ ...asks('fee'), help: 'Before tax.' }] },
    ];
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={['/intake/new/x']}>
          <Routes>
            <Route path="/intake/new/:template" element={<FormRoom />} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    );
    const who = await screen.findByRole('group', { name: 'Who' });
    expect(within(who).getByText('The other side.')).toBeDefined();
    expect(within(who).getByText('Full name.')).toBeDefined();
    const what = screen.getByRole('group', { name: 'What' });
    expect(within(what).getByText('Before tax.')).toBeDefined();
    expect(screen.queryByText('In euro.')).toBeNull();
    expect(screen.queryByLabelText('secret')).toBeNull();
    expect(screen.getAllByRole('textbox').map((input) => input.id)).toEqual([
      'field-lender',
      'field-fee',
    ]);
  });
});

describe('a form that is gone on with', () => {
  afterEach(cleanup);

  it('lends its answers to no other form', async () => {
    asked.length = 0;
    render(
      <QueryClientProvider client={new QueryClient()}>
        <MemoryRouter initialEntries={['/intake/new/x?form=k1']}>
          <Link to="/intake/new/y">the other form</Link>
          <Routes>
            <Route path="/intake/new/:template" element={<FormRoom />} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    );
    await screen.findByRole('button', { name: 'Make the agreement' });
    // what this browser has of the first form would hide that it is asked for again
    window.localStorage.clear();
    fireEvent.click(screen.getByText('the other form'));
    await waitFor(() => expect(asked.filter((one) => one.endsWith('/form'))).toHaveLength(2));
    await screen.findByRole('button', { name: 'Make the agreement' });
    expect(asked.filter((one) => one === 'GET /begun-forms/{key}')).toHaveLength(1);
  });
});
