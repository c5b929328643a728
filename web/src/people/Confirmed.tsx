import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import type { ReactNode } from 'react';
import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import { OwnPassword } from './OwnPassword';

/** A change that is confirmed by the password, where there is one. */
export function Confirmed<T>({
  title,
  act,
  grave = false,
  password,
  run,
  onDone,
  onClose,
  children,
}: {
  title: string;
  /** What the button says. */
  act: string;
  grave?: boolean;
  /** Whether who is signed in has one. */
  password: boolean;
  run: (current: string) => Promise<T>;
  onDone: (result: T) => void;
  onClose: () => void;
  children?: ReactNode;
}) {
  const form = useForm({ defaultValues: { current: '' } });
  const change = useMutation({
    mutationFn: ({ current }: { current: string }) => {
      return run(current);
    },
    onSuccess: onDone,
  });
  useServerFaults(change.error, form.setError);
  return (
    <DialogShell open title={title} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (typed) => change.mutate(typed))}
      >
        {children}
        {password && (
          <OwnPassword
            fault={form.formState.errors.current?.message}
            {...form.register('current')}
          />
        )}
        <FormTrouble error={change.error} />
        <span className="flex gap-2">
          <Button type="submit" look={grave ? 'grave' : 'main'} disabled={change.isPending}>
            {act}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
  );
}
