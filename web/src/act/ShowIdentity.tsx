import { useEffect, useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button, inputLook, Trouble } from '../ui/parts';
import type { SigningPage, useAct } from './useAct';

type Props = { page: SigningPage; act: ReturnType<typeof useAct> };

/** The participant shows who they are, before anything of the agreement is told. */
export function ShowIdentity({ page, act }: Props) {
  const words = useSay();
  const { check, locked, office, to } = page.identity;
  if (locked) {
    return (
      <section
        role="alert"
        className="max-w-xl border border-l-4 border-rule border-l-clay bg-sheet p-4"
      >
        <h2 className="pb-2 text-xl">{words.say('identity.locked-title')}</h2>
        <p className="text-lg">
          {words.say('identity.locked-how', { office: page.office, mail: office })}
        </p>
      </section>
    );
  }
  const asks = {
    NONE: '',
    MAILED_CODE: words.say('identity.mailed-code', { office: page.office, to }),
    TEXTED_CODE: words.say('identity.texted-code', { office: page.office, to }),
    AGREED_WORD: words.say('identity.agreed-word', { office: page.office }),
  }[check];
  return (
    <section
      aria-label={words.say('identity.title')}
      className="flex max-w-xl flex-col gap-4 border border-rule bg-sheet p-4"
    >
      <h2 className="text-xl">{words.say('identity.title')}</h2>
      {!page.identity.codeWaits && <p className="text-lg">{asks}</p>}
      {check === 'AGREED_WORD' ? (
        <Answer label={words.say('identity.word')} act={act} />
      ) : (
        <Code page={page} act={act} />
      )}
    </section>
  );
}

/** A code is asked for, and typed when it has come. */
function Code({ page, act }: Props) {
  const words = useSay();
  const { codeWaits, digits, nextCode, to } = page.identity;
  const left = useSecondsUntil(nextCode);
  return (
    <>
      {codeWaits && (
        <>
          <p role="status" className="text-lg">
            {words.say('identity.sent', { to, digits })}
          </p>
          <Answer label={words.say('identity.code')} act={act} digits={digits} />
        </>
      )}
      <Button
        look={codeWaits ? 'plain' : 'main'}
        className="min-h-11 justify-center"
        disabled={act.busy || left > 0}
        onClick={() => void act.sendCode()}
      >
        {words.say(codeWaits ? 'identity.send-again' : 'identity.send')}
      </Button>
      {left > 0 && <p className="text-soft">{words.say('identity.wait', { seconds: left })}</p>}
      {!codeWaits && <Trouble error={act.error} />}
    </>
  );
}

/** @param props.digits how many a code has; left out for a word */
function Answer({ label, act, digits }: { label: string; act: Props['act']; digits?: number }) {
  const words = useSay();
  const [typed, setTyped] = useState('');
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (typed.trim()) void act.showIdentity(typed);
      }}
    >
      <label className="flex flex-col gap-1 font-medium">
        {label}
        <input
          className={`${inputLook} min-h-11 text-lg ${digits ? 'tracking-widest' : ''}`}
          inputMode={digits ? 'numeric' : 'text'}
          autoComplete={digits ? 'one-time-code' : 'off'}
          autoCapitalize="none"
          spellCheck={false}
          maxLength={digits ? digits * 2 : 100}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <Trouble error={act.error} />
      <Button
        look="main"
        type="submit"
        className="min-h-11 justify-center text-lg"
        disabled={act.busy || !typed.trim()}
      >
        {words.say('identity.go-on')}
      </Button>
    </form>
  );
}

/** Counts down to a moment; 0 for one that is over, or none. */
function useSecondsUntil(moment: string | null): number {
  const [now, setNow] = useState(() => Date.now());
  const left = moment ? Math.max(0, Math.ceil((Date.parse(moment) - now) / 1000)) : 0;
  useEffect(() => {
    setNow(Date.now());
  }, [moment]);
  useEffect(() => {
    if (left === 0) return;
    const timer = setTimeout(() => setNow(Date.now()), 1000);
    return () => clearTimeout(timer);
  }, [left, now]);
  return left;
}
