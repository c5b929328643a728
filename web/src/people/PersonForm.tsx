import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import type { Role } from '../office/roles';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import type { OfficePersonDetail } from './people';
import { RoleChoice } from './RoleChoice';

/** What somebody is called and may. */
export function PersonForm({
  detail,
  onChange,
}: {
  detail: OfficePersonDetail;
  onChange: (detail: OfficePersonDetail) => void;
}) {
  const { person, revision } = detail;
  const form = useForm<{ name: string; roles: Role[] }>({
    defaultValues: { name: person.name, roles: person.roles },
  });
  const keep = useMutation({
    mutationFn: (typed: { name: string; roles: Role[] }) => {
      return answer(
        api.PUT('/api/v1/people/{id}', {
          params: { path: { id: person.id } },
          body: { revision, ...typed },
        }),
      );
    },
    onSuccess: onChange,
  });
  useServerFaults(keep.error, form.setError);
  const { errors } = form.formState;
  return (
    <form
      noValidate
      aria-label={say('people.what-they-may')}
      className="flex flex-col gap-4"
      onSubmit={handedIn(form, (typed) => keep.mutate(typed))}
    >
      <Labelled id="person-name" label={say('people.name')} fault={errors.name?.message}>
        <input
          id="person-name"
          autoComplete="off"
          className={inputLook}
          {...form.register('name')}
          {...describedBy('person-name', '', errors.name?.message)}
        />
      </Labelled>
      <RoleChoice
        legend={say('people.may')}
        chosen={form.watch('roles')}
        fault={(errors.roles as { message?: string } | undefined)?.message}
        onChange={(next) => form.setValue('roles', next)}
      />
      <FormTrouble error={keep.error} />
      <Button type="submit" look="main" className="self-start" disabled={keep.isPending}>
        {say('people.keep-person')}
      </Button>
    </form>
  );
}
