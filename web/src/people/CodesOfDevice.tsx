import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';
import { date } from '../ui/time';
import { Confirmed } from './Confirmed';

/** Codes that a device works out. */
export function CodesOfDevice({
  account,
  onAdded,
  onChange,
}: {
  account: Schemas['OwnAccount'];
  onAdded: (codes: Schemas['RecoveryCodes']) => void;
  onChange: (account: Schemas['OwnAccount']) => void;
}) {
  const [asks, setAsks] = useState<'secret' | 'removal'>();
  const [fresh, setFresh] = useState<Schemas['NewCode']>();
  return (
    <section aria-label={say('account.codes')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('account.codes')}</h2>
      <p className="text-soft">
        {account.codeSince
          ? say('account.codes-since', { day: date(account.codeSince) })
          : say('account.codes-hint')}
      </p>
      <span className="flex gap-2">
        <Button onClick={() => setAsks('secret')}>
          {account.codeSince ? say('account.other-device') : say('account.set-codes-up')}
        </Button>
        {account.codeSince && (
          <Button onClick={() => setAsks('removal')}>{say('account.take-codes-out')}</Button>
        )}
      </span>
      {asks === 'secret' && (
        <Confirmed
          title={say('account.set-codes-up')}
          act={say('account.show-secret')}
          password={account.password}
          run={(current) => answer(api.POST('/api/v1/account/code/secret', { body: { current } }))}
          onDone={(secret) => {
            setAsks(undefined);
            setFresh(secret);
          }}
          onClose={() => setAsks(undefined)}
        />
      )}
      {asks === 'removal' && (
        <Confirmed
          title={say('account.take-codes-out')}
          act={say('account.take-codes-out')}
          grave
          password={account.password}
          run={(current) => answer(api.DELETE('/api/v1/account/code', { body: { current } }))}
          onDone={(next) => {
            setAsks(undefined);
            onChange(next);
          }}
          onClose={() => setAsks(undefined)}
        />
      )}
      {fresh && (
        <Secret
          secret={fresh}
          onClose={() => setFresh(undefined)}
          onAdded={(codes) => {
            setFresh(undefined);
            onAdded(codes);
          }}
        />
      )}
    </section>
  );
}

/** The secret as a picture and as letters, and the first code of it. */
function Secret({
  secret,
  onAdded,
  onClose,
}: {
  secret: Schemas['NewCode'];
  onAdded: (codes: Schemas['RecoveryCodes']) => void;
  onClose: () => void;
}) {
  const form = useForm<Schemas['ShownFirst']>({ defaultValues: { code: '' } });
  const take = useMutation({
    mutationFn: (body: Schemas['ShownFirst']) => {
      return answer(api.PUT('/api/v1/account/code', { body }));
    },
    onSuccess: onAdded,
  });
  useServerFaults(take.error, form.setError);
  const fault = form.formState.errors.code?.message;
  return (
    <DialogShell open title={say('account.set-codes-up')} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (body) => take.mutate(body))}
      >
        <p>{say('account.scan')}</p>
        <svg
          role="img"
          aria-label={say('account.picture')}
          viewBox={`0 0 ${secret.width} ${secret.width}`}
          shapeRendering="crispEdges"
          className="h-48 w-48 self-center bg-white fill-black"
        >
          <path d={secret.path} />
        </svg>
        <p>
          {say('account.or-type')} <code>{secret.secret.replace(/(.{4})(?=.)/g, '$1 ')}</code>
        </p>
        <Labelled id="first-code" label={say('account.first-code')} fault={fault}>
          <input
            id="first-code"
            inputMode="numeric"
            autoComplete="one-time-code"
            className={inputLook}
            {...form.register('code')}
            {...describedBy('first-code', '', fault)}
          />
        </Labelled>
        <FormTrouble error={take.error} />
        <span className="flex gap-2">
          <Button type="submit" look="main" disabled={take.isPending}>
            {say('account.ask-for-codes')}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
  );
}
