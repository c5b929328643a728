import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { FormTrouble } from '../../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../../ui/parts';
import { handedIn, useServerFaults } from '../../ui/serverFaults';
import { FindWho } from './FindWho';
import { RightsGrid } from './RightsGrid';
import { wanted, whoMay, type Group } from './rights';

/** What a group of templates is called, and who may do what with them. */
export function GroupForm({
  group,
  onKept,
  onClose,
}: {
  group: Group | undefined;
  onKept: (all: Group[]) => void;
  onClose: () => void;
}) {
  const [who, setWho] = useState(() => whoMay(group));
  const form = useForm({ defaultValues: { name: group?.name ?? '' } });
  const keep = useMutation({
    mutationFn: ({ name }: { name: string }) =>
      group
        ? answer(
            api.PUT('/api/v1/people/groups/{id}', {
              params: { path: { id: group.id } },
              body: { revision: group.revision, name, ...wanted(who) },
            }),
          )
        : answer(api.POST('/api/v1/people/groups', { body: { name, ...wanted(who) } })),
    onSuccess: onKept,
  });
  useServerFaults(keep.error, form.setError);
  const fault = form.formState.errors.name?.message;
  return (
    <DialogShell
      open
      width="wide"
      title={group ? say('groups.change', { group: group.name }) : say('groups.make')}
      onClose={onClose}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (typed) => keep.mutate(typed))}
      >
        <Labelled id="group-name" label={say('groups.name')} fault={fault}>
          <input
            id="group-name"
            className={inputLook}
            {...form.register('name')}
            {...describedBy('group-name', '', fault)}
          />
        </Labelled>
        <div>
          <RightsGrid all={who} onChange={setWho} />
          <p className="pt-1 text-soft">{say('groups.what-rights-are')}</p>
        </div>
        <FindWho without={who.map((one) => one.id)} onFound={(one) => setWho([...who, one])} />
        <FormTrouble error={keep.error} />
        <span className="flex gap-2">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {group ? say('groups.keep') : say('groups.make')}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
  );
}
