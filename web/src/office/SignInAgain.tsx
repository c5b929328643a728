import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, sessionEnd } from '../api/client';
import type { Schemas } from '../api/client';
import { useDoor } from './queries';
import { home } from './roles';
import { SignInForm } from './SignInForm';

/** Asks for the password over the room when the session has ended, so that what was typed there stays. */
export function SignInAgain({ mail }: { mail: string }) {
  const [ended, setEnded] = useState(false);
  const queries = useQueryClient();
  const signedInRef = useRef<(session: Schemas['Session']) => void>(() => undefined);
  const navigate = useNavigate();
  useEffect(() => {
    const notice = () => setEnded(true);
    sessionEnd.addEventListener('ended', notice);
    return () => sessionEnd.removeEventListener('ended', notice);
  }, []);
  const door = useDoor(ended);
  // in another tab they may have come in by the office’s directory
  useEffect(() => {
    if (!ended) return;
    const look = () =>
      void answer(api.GET('/api/v1/session'))
        .then(signedInRef.current)
        .catch(() => undefined);
    window.addEventListener('focus', look);
    return () => window.removeEventListener('focus', look);
  }, [ended]);
  function signedIn(session: Schemas['Session']) {
    const same = session.mail === mail;
    if (!same) queries.clear();
    queries.setQueryData(['session'], session);
    setEnded(false);
    if (same) {
      void queries.invalidateQueries();
      sessionEnd.dispatchEvent(new Event('renewed'));
    } else void navigate(home(session));
  }
  signedInRef.current = signedIn;
  return (
    <DialogShell open={ended} title={say('office.your-session-has-ended')} width="narrow">
      <p className="pb-4">{say('office.sign-in-again-what-you')}</p>
      <SignInForm mail={mail} door={door.data} elsewhere onSignedIn={signedIn} />
    </DialogShell>
  );
}
