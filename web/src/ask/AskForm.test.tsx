// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { leftHere } from '../intake/kept';
import { inAddress } from './address';
import { AskForm } from './AskForm';
import { isDone } from './errand';
import { placeOf } from './keptHere';

type Body = Record<string, unknown>;
const server = vi.hoisted(() => ({
  sent: [] as Record<string, unknown>[],
  refuse: undefined as Record<string, unknown> | undefined,
}));
vi.mock('../api/client', async (original) => {
  const client = await original<typeof import('../api/client')>();
  const answers = (path: string, body: Body) => {
    if (path.endsWith('/reading')) return { values: {}, faults: {} };
    server.sent.push(body);
    return { number: 'R-1', secret: 's', thanks: '', signs: false };
  };
  return {
    ...client,
    api: {
      POST: (path: string, { body }: { body: Body }) =>
        Promise.resolve(
          server.refuse && !path.endsWith('/reading')
            ? { error: server.refuse, response: new Response(null, { status: 422 }) }
            : { data: answers(path, body), response: new Response() },
        ),
      GET: () => Promise.resolve({ error: {}, response: new Response(null, { status: 500 }) }),
    },
  };
});

const field = {
  name: 'thing',
  type: 'TEXT',
  label: 'What you lend',
  required: true,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
} as Schemas['Field'];

const form = {
  name: 'Loan',
  language: 'en-GB',
  fields: [field],
  sections: [
    {
      title: '',
      help: '',
      questions: [
        {
          field: 'thing',
          help: '',
          placeholder: '',
          before: '',
          width: 'WHOLE',
          readOnly: false,
          tick: false,
          start: 'FIXED',
          totals: [],
          register: '',
        },
      ],
    },
  ],
  chosen: [],
  initials: {},
  depends: false,
  languages: ['en-GB'],
  words: {},
} as unknown as Schemas['Form'];

const page = {
  title: 'Lend us something',
  key: '7b0c9d0e-46de-4f10-9d83-0f0b5a1e7a11',
  errand: '7b0c9d0e-46de-4f10-9d83-0f0b5a1e7a11.1803891600000.x',
  bits: 8,
  fixed: [],
  asksName: true,
  asksMail: true,
  asker: { name: '', mail: '' },
  wording: false,
} as unknown as Schemas['AskPage'];

function shown(search = '', fixed: string[] = [], initials: Record<string, string> = {}) {
  return render(
    <QueryClientProvider client={new QueryClient()}>
      <AskForm
        token="t"
        access=""
        page={{ ...page, fixed }}
        form={{ ...form, initials }}
        begun={undefined}
        address={inAddress(search)}
        onLanguage={() => undefined}
      />
    </QueryClientProvider>,
  );
}

const type = (label: string | RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

let now = 1000;
beforeEach(() => {
  server.sent = [];
  server.refuse = undefined;
  now = 1000;
  vi.spyOn(Date, 'now').mockImplementation(() => now);
  window.scrollTo = () => undefined;
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  window.localStorage.clear();
});

test('is handed in with its errand done and with what nobody sees left empty', async () => {
  shown();
  type('What you lend', 'a viol');
  type('Your name', 'Ida Marsh');
  type('Your mail address', 'ida@lender.example.org');
  await waitFor(() => expect(leftHere(placeOf('t'))?.values['thing']).toBe('a viol'));
  now += 10_000;
  fireEvent.click(screen.getByRole('button', { name: 'Hand the form in' }));
  await screen.findByText('Thank you. Your form has been handed in.');
  const [sent] = server.sent;
  expect(sent).toMatchObject({
    key: page.key,
    values: { thing: 'a viol' },
    asker: { name: 'Ida Marsh', mail: 'ida@lender.example.org' },
    errand: page.errand,
    website: '',
  });
  expect(isDone(page.errand, String(sent?.['found']), page.bits)).toBe(true);
  expect(leftHere(placeOf('t'))).toBeUndefined();
});

test('faults stand at their questions, those of who asks too, and nothing is lost', async () => {
  server.refuse = {
    detail: 'Two answers have to be mended.',
    faults: { thing: 'What you lend is required.', 'asker.mail': 'That is no mail address.' },
  };
  shown();
  type('Your mail address', 'nobody');
  now += 10_000;
  fireEvent.click(screen.getByRole('button', { name: 'Hand the form in' }));
  await screen.findByText('That is no mail address.');
  expect(screen.getByText('What you lend is required.')).toBeDefined();
  expect(screen.getByLabelText('Your mail address')).toHaveProperty('value', 'nobody');
  expect(leftHere(placeOf('t'))).toBeDefined();
});

test('answers of the address stand in it; sealed ones can be read and not changed', () => {
  shown('?thing=a+lute&other=x');
  expect(screen.getByLabelText('What you lend')).toHaveProperty('value', 'a lute');
  cleanup();
  shown('?thing=a+lute&answers=abc.def', ['thing'], { thing: 'a viol' });
  const input = screen.getByLabelText('What you lend');
  expect(input).toHaveProperty('value', 'a viol');
  expect(input).toHaveProperty('readOnly', true);
});

test('what only robots fill is out of reach for people', () => {
  const { container } = shown();
  const trap = container.querySelector('input[name=website]');
  expect(trap?.getAttribute('tabindex')).toBe('-1');
  expect(trap?.closest('[aria-hidden=true]')).not.toBeNull();
});
