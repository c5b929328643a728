import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { say, type RoomCode } from '../messages/rooms';
import { Door } from './Door';
import { Forgotten } from './Forgotten';
import { useDoor } from './queries';
import { home } from './roles';
import { SignInForm } from './SignInForm';

const inVain: Record<string, RoomCode> = {
  AWAY: 'door.in-vain-away',
  NOT_PROVEN: 'door.in-vain-not-proven',
  NO_ACCOUNT: 'door.in-vain-no-account',
};

/** Why who came back from the office's directory isn't in. */
function InVain({ provider }: { provider: string }) {
  const [params] = useSearchParams();
  const code = inVain[params.get('in-vain') ?? ''];
  if (!code || !provider) return null;
  const [first = '', ...rest] = provider;
  return (
    <p role="alert" className="mb-4 border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
      {say(code, { provider: first.toUpperCase() + rest.join('') })}
    </p>
  );
}

/** The door to the office's rooms. */
export function SignIn() {
  const navigate = useNavigate();
  const place = useLocation() as { state: { from?: string } | null };
  const queries = useQueryClient();
  const [forgotten, setForgotten] = useState(false);
  const door = useDoor();
  if (forgotten)
    return (
      <Door title={say('door.forgotten')}>
        <Forgotten onBack={() => setForgotten(false)} />
      </Door>
    );
  return (
    <Door title={say('office.sign-in')}>
      <InVain provider={door.data?.provider ?? ''} />
      <SignInForm
        door={door.data}
        onForgotten={() => setForgotten(true)}
        onSignedIn={(session) => {
          queries.setQueryData(['session'], session);
          const from = session.lacksFactor ? undefined : place.state?.from;
          void navigate(from ?? home(session), { replace: true });
        }}
      />
    </Door>
  );
}
