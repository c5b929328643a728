// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { SigningFieldInputs } from './SigningFieldInputs';

afterEach(cleanup);

const size = { widthMm: 60, heightMm: 6 };
const party = {
  party: 'lender',
  sameAs: '',
  when: { field: '', answer: '' },
  requiredWhen: { field: '', answer: '' },
  from: { kind: 'NOTHING' as const, name: '', raw: '', printed: '' },
  repeats: 'USUAL' as const,
};
const fields: Schemas['SigningField'][] = [
  { ...party, name: 'lender_signature', label: 'signature', type: { kind: 'signature', size } },
  {
    ...party,
    name: 'lender_vat',
    label: 'VAT number',
    type: {
      kind: 'text',
      size,
      required: true,
      hint: '',
      check: 'ANY',
      preset: '',
      shortest: 0,
      longest: 0,
      pattern: '',
    },
  },
];
let now = fields;

const [, vat] = fields as [Schemas['SigningField'], Schemas['SigningField']];

function Shown({ more = [] }: { more?: string[] }) {
  const [settled, setSettled] = useState([
    ...fields,
    ...more.map((label) => ({ ...vat, name: `lender_${label}`, label })),
  ]);
  now = settled;
  return settled.map((field) => (
    <SigningFieldInputs
      key={field.name}
      field={field}
      called={field.label}
      content={{ fields: [], parties: [], signingFields: settled }}
      onChange={(next) => setSettled(settled.map((one) => (one.name === next.name ? next : one)))}
    />
  ));
}

it('asks for a size of every kind, and for more only where the kind has more', () => {
  render(<Shown />);
  expect(screen.getAllByRole('spinbutton')).toHaveLength(6);
  expect(screen.getAllByRole('combobox')).toHaveLength(4);
  fireEvent.change(screen.getByLabelText('What VAT number has to be'), {
    target: { value: 'PHONE' },
  });
  fireEvent.change(screen.getByLabelText('Width of signature in mm'), { target: { value: '80' } });
  fireEvent.click(screen.getByRole('checkbox'));
  expect(now[0]?.type.size.widthMm).toBe(80);
  expect(now[1]?.type).toMatchObject({ check: 'PHONE', required: false });
});

it('keeps the size while the input is empty', () => {
  render(<Shown />);
  const width = screen.getByLabelText('Width of VAT number in mm');
  fireEvent.change(width, { target: { value: '' } });
  expect(width).toHaveProperty('value', '');
  expect(now[1]?.type.size.widthMm).toBe(60);
  fireEvent.blur(width);
  expect(width).toHaveProperty('value', '60');
});

it('makes one of several out of a line of text, with its answers, and keeps what both have', () => {
  render(<Shown />);
  fireEvent.change(screen.getByLabelText('Hint of VAT number'), {
    target: { value: 'as printed' },
  });
  fireEvent.change(screen.getByLabelText('What VAT number is completed as'), {
    target: { value: 'choice' },
  });
  const answers = screen.getByLabelText('Answers of VAT number');
  fireEvent.change(answers, { target: { value: 'none\n\n registered ' } });
  fireEvent.blur(answers);
  fireEvent.change(screen.getByLabelText('What stands in VAT number at first'), {
    target: { value: 'registered' },
  });
  expect(now[1]?.type).toEqual({
    kind: 'choice',
    size,
    required: true,
    hint: 'as printed',
    options: ['none', 'registered'],
    preset: 'registered',
    spread: false,
  });
});

it('asks for a field with another one, and for that one always when there is no other', () => {
  render(<Shown more={['country']} />);
  fireEvent.change(screen.getByLabelText('When country is asked for'), {
    target: { value: 'lender_vat' },
  });
  fireEvent.change(
    screen.getByLabelText('The answer to VAT number at which country is asked for'),
    { target: { value: 'XX' } },
  );
  expect(now[2]?.when).toEqual({ field: 'lender_vat', answer: 'XX' });
  fireEvent.change(screen.getByLabelText('When country is asked for'), { target: { value: '' } });
  expect(now[2]?.when).toEqual({ field: '', answer: '' });
  cleanup();
  render(<Shown />);
  expect(screen.queryByLabelText('When VAT number is asked for')).toBeNull();
});

it('takes away what another kind can have no input for', () => {
  render(<Shown more={['other']} />);
  fireEvent.change(screen.getByLabelText('When VAT number is asked for'), {
    target: { value: 'lender_other' },
  });
  expect(now[1]?.when.field).toBe('lender_other');
  fireEvent.change(screen.getByLabelText('What VAT number is completed as'), {
    target: { value: 'worked_out' },
  });
  expect(now[1]?.type.kind).toBe('worked_out');
  expect(now[1]?.when.field).toBe('');
});
