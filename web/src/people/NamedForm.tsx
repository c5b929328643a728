import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';

/** A dialog for what has a name, and something beside it that is kept with it. */
export function NamedForm<All>({
  id,
  title,
  label,
  name,
  act,
  keep,
  onKept,
  onClose,
  children,
}: {
  id: string;
  title: string;
  /** Of the name. */
  label: string;
  name: string;
  /** What the button says. */
  act: string;
  keep: (name: string) => Promise<All>;
  onKept: (all: All) => void;
  onClose: () => void;
  children: ReactNode;
}) {
  const form = useForm({ defaultValues: { name } });
  const kept = useMutation({
    mutationFn: (typed: { name: string }) => keep(typed.name),
    onSuccess: onKept,
  });
  useServerFaults(kept.error, form.setError);
  const fault = form.formState.errors.name?.message;
  return (
    <DialogShell open width="wide" title={title} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (typed) => kept.mutate(typed))}
      >
        <Labelled id={id} label={label} fault={fault}>
          <input
            id={id}
            className={inputLook}
            {...form.register('name')}
            {...describedBy(id, '', fault)}
          />
        </Labelled>
        {children}
        <FormTrouble error={kept.error} />
        <span className="flex gap-2">
          <Button type="submit" look="main" disabled={kept.isPending}>
            {act}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
  );
}
