// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { FormProvider, useForm } from 'react-hook-form';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { FormSection } from './FormSection';
import { FormWords } from './formWords';
import type { Answers, Field } from './inputProps';
import { useFormState, type FormState } from './useFormState';

const field = (name: string, type: Field['type'], part: Partial<Field> = {}): Field => ({
  name,
  type,
  label: name,
  required: false,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
  ...part,
});

const asks = (name: string, part: Partial<Schemas['FormQuestion']> = {}) => ({
  field: name,
  help: '',
  placeholder: '',
  before: '',
  width: 'WHOLE' as const,
  readOnly: false,
  tick: false,
  start: 'FIXED' as const,
  totals: [],
  register: '',
  ...part,
});

const NOTHING: FormState = { left: [], sectionsLeft: [], followed: {}, totals: [] };
let answers: ReturnType<typeof useForm<Answers>>;

function Form({
  form,
  ask,
  values = {},
  words = {},
}: {
  form: Schemas['Form'];
  ask?: (soFar: Schemas['AnswersSoFar']) => Promise<FormState>;
  values?: Record<string, string>;
  words?: Record<string, string>;
}) {
  answers = useForm<Answers>({ defaultValues: { values, people: {} } });
  const state = useFormState(form, answers, ask);
  return (
    <QueryClientProvider client={new QueryClient()}>
      <FormProvider {...answers}>
        <FormWords.Provider value={words}>
          {state &&
            form.sections.map((section, i) => (
              <FormSection
                key={i}
                section={section}
                position={i}
                fields={form.fields}
                notes={{}}
                state={state}
              />
            ))}
        </FormWords.Provider>
      </FormProvider>
    </QueryClientProvider>
  );
}

const formOf = (fields: Field[], sections: Schemas['FormSection'][], depends = false) =>
  ({ fields, sections, depends, language: 'en-GB' }) as unknown as Schemas['Form'];

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});
const pause = () => act(() => vi.advanceTimersByTimeAsync(1000));

test('asks only for what the server says that it asks for, and a title stands over nothing else', async () => {
  const form = formOf(
    [field('abroad', 'YES_NO'), field('courier', 'TEXT')],
    [
      { title: 'Where', help: '', questions: [asks('abroad')] },
      { title: 'How', help: 'By whom.', questions: [asks('courier')] },
    ],
    true,
  );
  const ask = vi.fn(({ values }: Schemas['AnswersSoFar']) =>
    Promise.resolve({ ...NOTHING, left: values['abroad'] === 'yes' ? [] : ['courier'] }),
  );
  render(<Form form={form} ask={ask} />);
  await pause();
  expect(screen.queryByText('How')).toBeNull();
  fireEvent.change(screen.getByLabelText(/abroad/), { target: { value: 'yes' } });
  await pause();
  fireEvent.change(screen.getByLabelText(/courier/), { target: { value: 'Vale and Sons' } });
  fireEvent.change(screen.getByLabelText(/abroad/), { target: { value: 'no' } });
  await pause();
  expect(screen.queryByLabelText(/courier/)).toBeNull();
  // what was answered is there again when it is asked again
  fireEvent.change(screen.getByLabelText(/abroad/), { target: { value: 'yes' } });
  await pause();
  expect(screen.getByLabelText(/courier/)).toHaveProperty('value', 'Vale and Sons');
});

test('a form whose server is away asks for everything', async () => {
  const form = formOf(
    [field('a', 'TEXT')],
    [{ title: '', help: '', questions: [asks('a')] }],
    true,
  );
  render(<Form form={form} ask={() => Promise.reject(new Error('away'))} />);
  await pause();
  expect(screen.getByLabelText(/a/)).toBeDefined();
});

test('what follows is put in its place until it is typed over, and always where it cannot be typed', async () => {
  const form = formOf(
    [field('days', 'NUMBER'), field('fee', 'NUMBER'), field('sum', 'NUMBER')],
    [
      {
        title: '',
        help: '',
        questions: [
          asks('days'),
          asks('fee', { start: 'RULE' }),
          asks('sum', { start: 'RULE', readOnly: true }),
        ],
      },
    ],
    true,
  );
  const ask = ({ values }: Schemas['AnswersSoFar']) => {
    const next = String(Number(values['days']) * 10);
    return Promise.resolve({ ...NOTHING, followed: { fee: next, sum: next } });
  };
  render(<Form form={form} ask={ask} values={{ days: '3' }} />);
  await pause();
  const fee = screen.getByLabelText(/fee/);
  expect(fee).toHaveProperty('value', '30');
  fireEvent.change(screen.getByLabelText(/days/), { target: { value: '4' } });
  await pause();
  expect(fee).toHaveProperty('value', '40');
  fireEvent.change(fee, { target: { value: '55' } });
  fireEvent.change(screen.getByLabelText(/days/), { target: { value: '5' } });
  await pause();
  expect(fee).toHaveProperty('value', '55');
  expect(screen.getByLabelText(/sum/)).toHaveProperty('value', '50');
  expect(screen.getByLabelText(/sum/)).toHaveProperty('readOnly', true);
});

test('a choice takes an answer of one’s own where the list is not all there is', () => {
  const how = field('how', 'CHOICE', { choices: ['By road'], ownAnswer: true });
  render(<Form form={formOf([how], [{ title: '', help: '', questions: [asks('how')] }])} />);
  const list = screen.getByRole('combobox');
  fireEvent.change(list, { target: { value: 'By road' } });
  expect(screen.queryByRole('textbox')).toBeNull();
  const own = screen.getByRole('option', { name: 'Something else…' });
  fireEvent.change(list, { target: { value: (own as HTMLOptionElement).value } });
  expect(answers.getValues('values.how')).toBe('');
  fireEvent.change(screen.getByRole('textbox', { name: 'how: something else' }), {
    target: { value: 'By barge' },
  });
  expect(answers.getValues('values.how')).toBe('By barge');
});

test('a box to tick says yes, and nothing at all where it has to be ticked', () => {
  const agreed = field('agreed', 'YES_NO', { required: true });
  const maybe = field('maybe', 'YES_NO');
  const questions = [asks('agreed', { tick: true }), asks('maybe', { tick: true })];
  render(<Form form={formOf([agreed, maybe], [{ title: '', help: '', questions }])} />);
  const [first, second] = screen.getAllByRole('checkbox') as [HTMLElement, HTMLElement];
  fireEvent.click(first);
  fireEvent.click(second);
  expect(answers.getValues('values')).toMatchObject({ agreed: 'yes', maybe: 'yes' });
  fireEvent.click(first);
  fireEvent.click(second);
  expect(answers.getValues('values')).toMatchObject({ agreed: '', maybe: 'no' });
});

test('speaks the language in which it is shown, and keeps the answers of its template', () => {
  const how = field('how', 'CHOICE', { label: 'Transport', choices: ['By road'], hint: 'How?' });
  const words = { Transport: 'Vervoer', 'By road': 'Over de weg', 'How?': 'Hoe?', Way: 'Weg' };
  const question = asks('how', { before: 'Not said' });
  const section = { title: 'Way', help: '', questions: [question] };
  render(<Form form={formOf([how], [section])} words={words} />);
  expect(screen.getByRole('group', { name: 'Weg' })).toBeDefined();
  expect(screen.getByText('Hoe?')).toBeDefined();
  expect(screen.getByText('Not said')).toBeDefined();
  const option = screen.getByRole('option', { name: 'Over de weg' });
  fireEvent.change(screen.getByRole('combobox', { name: /Vervoer/ }), {
    target: { value: (option as HTMLOptionElement).value },
  });
  expect(answers.getValues('values.how')).toBe('By road');
});

test('sums stand under their list', async () => {
  const list = field('objects', 'ITEMS', { items: [field('value', 'MONEY')] });
  const totals = [{ list: 'objects', label: 'value', total: '€ 3.00' }];
  const form = formOf([list], [{ title: '', help: '', questions: [asks('objects')] }], true);
  render(<Form form={form} ask={() => Promise.resolve({ ...NOTHING, totals })} />);
  await pause();
  expect(screen.getByText('value in all:')).toBeDefined();
  expect(screen.getByText('€ 3.00')).toBeDefined();
});
