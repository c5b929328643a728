import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { SigningFieldSettings } from './SigningFieldSettings';

afterEach(cleanup);

const size = { widthMm: 60, heightMm: 6 };
const party = { party: 'lender', sameAs: '' };
const fields: Schemas['SigningField'][] = [
  { ...party, name: 'lender_signature', label: 'signature', type: { kind: 'signature', size } },
  {
    ...party,
    name: 'lender_vat',
    label: 'VAT number',
    type: { kind: 'text', size, required: true, hint: '', check: 'ANY', preset: '' },
  },
];
let now = fields;

function Shown() {
  const [settled, setSettled] = useState(fields);
  now = settled;
  return <SigningFieldSettings fields={settled} onChange={setSettled} />;
}

it('asks for a size of every kind, and for more only where the kind has more', () => {
  render(<Shown />);
  expect(screen.getAllByRole('spinbutton')).toHaveLength(4);
  expect(screen.getAllByRole('combobox')).toHaveLength(1);
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
