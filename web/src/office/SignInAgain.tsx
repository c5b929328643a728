import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { sessionEnd } from '../api/client';
import type { Schemas } from '../api/client';
import { SignInForm } from './SignIn';

/** Asks for the password over the room when the session has ended, so that what was typed there stays. */
export function SignInAgain({ mail }: { mail: string }) {
  const [ended, setEnded] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(() => {
    const notice = () => setEnded(true);
    sessionEnd.addEventListener('ended', notice);
    return () => sessionEnd.removeEventListener('ended', notice);
  }, []);
  function signedIn(session: Schemas['Session']) {
    const same = session.mail === mail;
    if (!same) queries.clear();
    queries.setQueryData(['session'], session);
    setEnded(false);
    if (same) {
      void queries.invalidateQueries();
      sessionEnd.dispatchEvent(new Event('renewed'));
    } else void navigate(session.role === 'COORDINATOR' ? '/today' : '/archive');
  }
  return (
    <Dialog open={ended} onClose={() => undefined} className="relative z-20">
      <div className="fixed inset-0 bg-ink/40" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="w-full max-w-sm border border-edge bg-paper p-5">
          <DialogTitle className="pb-2 text-xl">Your session has ended</DialogTitle>
          <p className="pb-4">Sign in again. What you have typed here is still there.</p>
          <SignInForm mail={mail} onSignedIn={signedIn} />
        </DialogPanel>
      </div>
    </Dialog>
  );
}
