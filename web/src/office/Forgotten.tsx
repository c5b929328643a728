import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Labelled, Trouble } from '../ui/parts';

/** Asks for a way in by mail. Whether there is such an account isn’t told. */
export function Forgotten({ onBack }: { onBack: () => void }) {
  const form = useForm<Schemas['Forgotten']>({ defaultValues: { mail: '' } });
  const ask = useMutation({
    mutationFn: (body: Schemas['Forgotten']) =>
      answer(api.POST('/api/v1/session/forgotten', { body })),
  });
  const back = (
    <Button className="self-start" onClick={onBack}>
      {say('door.back')}
    </Button>
  );
  if (ask.isSuccess)
    return (
      <div className="flex flex-col gap-4">
        <p role="status">{say('door.way-in-mailed', { mail: ask.variables.mail })}</p>
        {back}
      </div>
    );
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => void form.handleSubmit((body) => ask.mutate(body))(event)}
    >
      <p>{say('door.forgotten-hint')}</p>
      <Labelled id="forgotten-mail" label={say('office.mail-address')}>
        <input
          id="forgotten-mail"
          type="email"
          autoComplete="username"
          className={inputLook}
          {...form.register('mail', { required: true })}
        />
      </Labelled>
      <Trouble error={ask.error} />
      <span className="flex gap-2">
        <Button type="submit" look="main" disabled={ask.isPending}>
          {say('door.mail-a-way-in')}
        </Button>
        {back}
      </span>
    </form>
  );
}
