// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useMutation, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { afterEach, expect, it, vi } from 'vitest';
import { Problem } from '../api/client';
import { handedIn, useServerFaults } from './serverFaults';

afterEach(cleanup);

/** A form with an answer that no input is registered for, as choices of several are. */
function Form({ save }: { save: () => Promise<void> }) {
  const form = useForm<{ name: string; roles: string[] }>({
    defaultValues: { name: '', roles: [] },
  });
  const keep = useMutation({ mutationFn: save });
  useServerFaults(keep.error, form.setError);
  const { errors } = form.formState;
  return (
    <form onSubmit={handedIn(form, () => keep.mutate())}>
      <input aria-label="Name" {...form.register('name')} />
      <p>{(errors.roles as { message?: string } | undefined)?.message}</p>
      <button type="submit">Keep</button>
    </form>
  );
}

it('is handed in again after a fault at an answer without an input', async () => {
  const save = vi
    .fn<() => Promise<void>>()
    .mockRejectedValueOnce(new Problem('wrong', 422, { roles: 'Choose one.' }))
    .mockResolvedValue(undefined);
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Form save={save} />
    </QueryClientProvider>,
  );
  const button = screen.getByRole('button', { name: 'Keep' });
  fireEvent.click(button);
  await screen.findByText('Choose one.');
  fireEvent.click(button);
  await waitFor(() => expect(save).toHaveBeenCalledTimes(2));
  expect(screen.queryByText('Choose one.')).toBeNull();
});
