import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Door } from './Door';
import { Forgotten } from './Forgotten';
import { home } from './roles';
import { SignInForm } from './SignInForm';

/** The door to the office's rooms. */
export function SignIn() {
  const navigate = useNavigate();
  const place = useLocation() as { state: { from?: string } | null };
  const queries = useQueryClient();
  const [forgotten, setForgotten] = useState(false);
  const door = useQuery({
    queryKey: ['door'],
    queryFn: () => answer(api.GET('/api/v1/session/door')),
  });
  if (forgotten)
    return (
      <Door title={say('door.forgotten')}>
        <Forgotten onBack={() => setForgotten(false)} />
      </Door>
    );
  return (
    <Door title={say('office.sign-in')}>
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
