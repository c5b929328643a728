import { useState } from 'react';
import type { Problem } from '../api/client';
import { useSay } from '../messages/useSay';
import { Button, Trouble } from '../ui/parts';
import { YOUR_PART } from './open';
import type { SigningPage } from './useAct';

/** The consent to sign electronically, given before anything can be signed. */
export function ConsentBox({
  page,
  onConsent,
  busy,
  error,
}: {
  page: SigningPage;
  onConsent: (version: string) => Promise<boolean>;
  busy: boolean;
  error: Problem | undefined;
}) {
  const words = useSay();
  const [agreed, setAgreed] = useState(false);
  return (
    <section
      id={YOUR_PART}
      aria-label={words.say('consent.title')}
      className="border border-rule bg-sheet p-4"
    >
      <h2 className="pb-2 text-xl">{words.say('consent.title')}</h2>
      {page.consent.text.split('\n\n').map((paragraph) => (
        <p key={paragraph} className="pb-3">
          {paragraph}
        </p>
      ))}
      <label className="flex min-h-11 items-center gap-3">
        <input
          type="checkbox"
          className="size-6"
          checked={agreed}
          onChange={(event) => setAgreed(event.target.checked)}
        />
        {words.say('consent.agree')}
      </label>
      <Trouble error={error} />
      <Button
        look="main"
        className="mt-2 min-h-11 w-full justify-center"
        disabled={!agreed || busy}
        onClick={() => void onConsent(page.consent.version)}
      >
        {words.say('consent.go-on')}
      </Button>
    </section>
  );
}
