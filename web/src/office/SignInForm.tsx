import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Labelled, Trouble } from '../ui/parts';
import { showPasskey } from './passkeys';

type Step = Schemas['SignInStep'];

/** Mail address and password, then what else is asked for; or a passkey, which shows all of it. Says who signed in. */
export function SignInForm({
  mail = '',
  door,
  shows: asked = [],
  elsewhere = false,
  onForgotten,
  onSignedIn,
}: {
  mail?: string;
  /** What is asked for when a password was shown before. */
  shows?: Step['shows'];
  /** Whether the office’s directory opens in another tab, since something typed stands here. */
  elsewhere?: boolean;
  door?: Schemas['DoorView'] | undefined;
  onForgotten?: () => void;
  onSignedIn: (session: Schemas['Session']) => void;
}) {
  const [shows, setShows] = useState<Step['shows']>(asked);
  const took = (step: Step) => {
    if (step.session) onSignedIn(step.session);
    else setShows(step.shows);
  };
  const passkey = useMutation({ mutationFn: showPasskey, onSuccess: took });
  return (
    <div className="flex flex-col gap-4">
      {shows.length === 0 ? (
        <Password mail={mail} onForgotten={onForgotten} onStep={took} />
      ) : (
        shows.includes('CODE') && <Code onStep={took} onBack={() => setShows([])} />
      )}
      {shows.length > 0 && !shows.includes('CODE') && <p>{say('door.passkey-next')}</p>}
      {(door?.passkeys ?? shows.includes('PASSKEY')) && (
        <Button
          className="self-start"
          look={shows.length > 0 && !shows.includes('CODE') ? 'main' : 'plain'}
          disabled={passkey.isPending}
          onClick={() => passkey.mutate()}
        >
          {say('door.by-passkey')}
        </Button>
      )}
      <Trouble error={passkey.error} />
      {door?.provider && shows.length === 0 && (
        // a page of another site follows
        <a
          className="self-start underline underline-offset-4"
          href="/api/v1/session/provider"
          target={elsewhere ? '_blank' : undefined}
          rel="noreferrer"
        >
          {say('door.by-provider', { provider: door.provider })}
        </a>
      )}
      {shows.length > 0 && !shows.includes('CODE') && (
        <Code onStep={took} onBack={() => setShows([])} />
      )}
    </div>
  );
}

function Password({
  mail,
  onForgotten,
  onStep,
}: {
  mail: string;
  onForgotten: (() => void) | undefined;
  onStep: (step: Step) => void;
}) {
  const form = useForm<Schemas['SignIn']>({ defaultValues: { mail, password: '' } });
  // it may stand over a room that has inputs of these names
  const id = useId();
  const signIn = useMutation({
    mutationFn: (body: Schemas['SignIn']) => answer(api.POST('/api/v1/session', { body })),
    onSuccess: onStep,
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
      <span className="flex flex-wrap items-center gap-4">
        <Button type="submit" look="main" disabled={signIn.isPending}>
          {say('office.sign-in')}
        </Button>
        {onForgotten && (
          <button
            type="button"
            className="min-h-8 underline underline-offset-4"
            onClick={onForgotten}
          >
            {say('door.forgotten-question')}
          </button>
        )}
      </span>
    </form>
  );
}

/** The second step: a code of the device, or one that was kept for its loss. */
function Code({ onStep, onBack }: { onStep: (step: Step) => void; onBack: () => void }) {
  const form = useForm<Schemas['ShownCode']>({ defaultValues: { code: '' } });
  const id = useId();
  const show = useMutation({
    mutationFn: (body: Schemas['ShownCode']) => answer(api.POST('/api/v1/session/code', { body })),
    onSuccess: onStep,
  });
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => void form.handleSubmit((body) => show.mutate(body))(event)}
    >
      <Labelled id={id} label={say('door.code')} hint={say('door.code-hint')}>
        <input
          id={id}
          autoFocus
          autoComplete="one-time-code"
          aria-describedby={`${id}-hint`}
          className={inputLook}
          {...form.register('code', { required: true })}
        />
      </Labelled>
      <Trouble error={show.error} />
      <span className="flex gap-2">
        <Button type="submit" look="main" disabled={show.isPending}>
          {say('office.sign-in')}
        </Button>
        <Button onClick={onBack}>{say('door.back')}</Button>
      </span>
    </form>
  );
}
