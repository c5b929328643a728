// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { choice } from './choice';

afterEach(cleanup);

it('answers with an option as it was written, whatever blanks are in it', () => {
  const onChange = vi.fn();
  const type = choice.usual?.({ widthMm: 60, heightMm: 6 });
  const Input = choice.asked?.Input;
  if (!Input || type?.kind !== 'choice') throw new Error('no input');
  const options = ['case  of oak', 'crate'];
  render(
    <Input
      id="a"
      label="Packing"
      type={{ ...type, options }}
      value=""
      onChange={onChange}
      fault={undefined}
    />,
  );
  const [, first] = screen.getAllByRole('option');
  fireEvent.change(screen.getByRole('combobox'), {
    target: { value: (first as HTMLOptionElement).value },
  });
  expect(onChange).toHaveBeenCalledWith('case  of oak');
});

it('shows all answers at once, and takes one back that need not be given', () => {
  const onChange = vi.fn();
  const type = choice.usual?.({ widthMm: 60, heightMm: 6 });
  const Input = choice.asked?.Input;
  if (!Input || type?.kind !== 'choice') throw new Error('no input');
  const spread = { ...type, options: ['case', 'crate'], spread: true, required: false };
  render(
    <Input
      id="a"
      label="Packing"
      type={spread}
      value="crate"
      onChange={onChange}
      fault={undefined}
    />,
  );
  expect(screen.getByRole('radiogroup', { name: 'Packing' })).toBeDefined();
  expect(screen.getByRole<HTMLInputElement>('radio', { name: 'crate' }).checked).toBe(true);
  fireEvent.click(screen.getByRole('radio', { name: 'case' }));
  fireEvent.click(screen.getByRole('button', { name: 'Take the answer back' }));
  expect(onChange.mock.calls).toEqual([['case'], ['']]);
});
