import { say } from '../messages/rooms';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId } from 'react';
import { useForm } from 'react-hook-form';
import { useLocation, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { Button, inputLook, Labelled, Trouble } from '../ui/parts';
import { Wordmark } from '../ui/Wordmark';

/** Mail address and password; says who signed in. */
export function SignInForm({
  mail = '',
  onSignedIn,
}: {
  mail?: string;
  onSignedIn: (session: Schemas['Session']) => void;
}) {
  const form = useForm<Schemas['SignIn']>({ defaultValues: { mail, password: '' } });
  // it may stand over a room that has inputs of these names
  const id = useId();
  const signIn = useMutation({
    mutationFn: (body: Schemas['SignIn']) => answer(api.POST('/api/v1/session', { body })),
    onSuccess: onSignedIn,
  });
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => void form.handleSubmit((body) => signIn.mutate(body))(event)}
    >
      <Labelled id={`${id}-mail`} label={say('office.mail-address')}>
        <input
          id={`${id}-mail`}
          type="email"
          autoComplete="username"
          className={inputLook}
          {...form.register('mail', { required: true })}
        />
      </Labelled>
      <Labelled id={`${id}-password`} label={say('office.password')}>
        <input
          id={`${id}-password`}
          type="password"
          autoComplete="current-password"
          className={inputLook}
          {...form.register('password', { required: true })}
        />
      </Labelled>
      <Trouble error={signIn.error} />
      <Button type="submit" look="main" disabled={signIn.isPending} className="self-start">
        {say('office.sign-in')}
      </Button>
    </form>
  );
}

/** The door to the coordinator's rooms. */
export function SignIn() {
  const navigate = useNavigate();
  const place = useLocation() as { state: { from?: string } | null };
  const queries = useQueryClient();
  return (
    <div className="min-h-screen">
      <header className="bg-bottle px-5 py-3 text-onbottle">
        <Wordmark />
      </header>
      <main className="mx-auto mt-16 max-w-sm px-4">
        <h1 className="pb-4 text-2xl">{say('office.sign-in')}</h1>
        <SignInForm
          onSignedIn={(session) => {
            queries.setQueryData(['session'], session);
            const start = session.role === 'COORDINATOR' ? '/today' : '/archive';
            void navigate(place.state?.from ?? start, { replace: true });
          }}
        />
      </main>
    </div>
  );
}
