import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import type { OfficePersonDetail } from './people';
import { RoleChoice } from './RoleChoice';

type NewPerson = Schemas['NewPerson'];

/** Mails somebody a way in. */
export function Invite({
  onInvited,
  onClose,
}: {
  onInvited: (person: OfficePersonDetail) => void;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const form = useForm<NewPerson>({ defaultValues: { mail: '', name: '', roles: [] } });
  const invite = useMutation({
    mutationFn: (body: NewPerson) => {
      return answer(api.POST('/api/v1/people', { body }));
    },
    onSuccess: (person) => {
      void queries.invalidateQueries({ queryKey: ['people'] });
      onInvited(person);
    },
  });
  useServerFaults(invite.error, form.setError);
  const { errors } = form.formState;
  return (
    <DialogShell open title={say('people.invite')} width="wide" onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (body) => invite.mutate(body))}
      >
        <Labelled id="invite-name" label={say('people.name')} fault={errors.name?.message}>
          <input
            id="invite-name"
            autoComplete="off"
            className={inputLook}
            {...form.register('name')}
            {...describedBy('invite-name', '', errors.name?.message)}
          />
        </Labelled>
        <Labelled
          id="invite-mail"
          label={say('office.mail-address')}
          hint={say('people.mail-hint')}
          fault={errors.mail?.message}
        >
          <input
            id="invite-mail"
            type="email"
            autoComplete="off"
            className={inputLook}
            {...form.register('mail')}
            {...describedBy('invite-mail', 'hint', errors.mail?.message)}
          />
        </Labelled>
        <RoleChoice
          legend={say('people.may')}
          chosen={form.watch('roles')}
          fault={(errors.roles as { message?: string } | undefined)?.message}
          onChange={(next) => form.setValue('roles', next)}
        />
        <FormTrouble error={invite.error} />
        <span className="flex gap-2">
          <Button type="submit" look="main" disabled={invite.isPending}>
            {say('people.mail-invitation')}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
  );
}
