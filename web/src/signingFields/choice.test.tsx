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
    <Input id="a" type={{ ...type, options }} value="" onChange={onChange} fault={undefined} />,
  );
  const [, first] = screen.getAllByRole('option');
  fireEvent.change(screen.getByRole('combobox'), {
    target: { value: (first as HTMLOptionElement).value },
  });
  expect(onChange).toHaveBeenCalledWith('case  of oak');
});
