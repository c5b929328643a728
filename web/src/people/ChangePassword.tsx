import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import { OwnPassword } from './OwnPassword';

/** Another password. */
export function ChangePassword({
  account,
  onChange,
}: {
  account: Schemas['OwnAccount'];
  onChange: (account: Schemas['OwnAccount']) => void;
}) {
  const form = useForm<Schemas['ChosenPassword']>({
    defaultValues: { current: '', password: '' },
  });
  const change = useMutation({
    mutationFn: (body: Schemas['ChosenPassword']) => {
      return answer(api.PUT('/api/v1/account/password', { body }));
    },
    onSuccess: (next) => {
      form.reset();
      onChange(next);
    },
  });
  useServerFaults(change.error, form.setError);
  const { errors } = form.formState;
  return (
    <form
      noValidate
      aria-label={say('office.password')}
      className="flex max-w-md flex-col gap-3"
      onSubmit={handedIn(form, (body) => change.mutate(body))}
    >
      <h2 className="text-lg">{say('office.password')}</h2>
      {account.password ? (
        <OwnPassword
          label={say('account.password-until-now')}
          fault={errors.current?.message}
          {...form.register('current')}
        />
      ) : (
        <p className="text-soft">{say('account.no-password')}</p>
      )}
      <Labelled
        id="new-password"
        label={say('door.new-password')}
        hint={say('door.password-hint')}
        fault={errors.password?.message}
      >
        <input
          id="new-password"
          type="password"
          autoComplete="new-password"
          className={inputLook}
          {...form.register('password')}
          {...describedBy('new-password', 'hint', errors.password?.message)}
        />
      </Labelled>
      <FormTrouble error={change.error} />
      <span className="flex items-center gap-3">
        <Button type="submit" disabled={change.isPending}>
          {say('account.change-password')}
        </Button>
        <span role="status" className="text-soft">
          {change.isSuccess && say('account.password-changed')}
        </span>
      </span>
    </form>
  );
}
