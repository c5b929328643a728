import { useEffect, useRef } from 'react';
import { answer, api } from '../api/client';
import type { SigningPage } from './useAct';

/** How long typing rests before it is kept, and how long a lost connection is left alone, in ms. */
const PAUSE = 700;
const AGAIN = 8000;

/** Keeps what is typed under the link, for a reload and for another device; a lost connection is tried again. */
export function useKeptAnswers(
  token: string,
  page: SigningPage | undefined,
  typed: Record<string, string>,
) {
  const turn = page?.standing === 'TURN' && !page.ended && page.identity.shown;
  const begun = page?.begun;
  const text = JSON.stringify({ ...begun, ...typed });
  const kept = useRef('');
  const any = Object.keys(typed).length > 0;
  useEffect(() => {
    if (!turn || !any || kept.current === text) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    let ended = false;
    const keep = () => {
      answer(
        api.PUT('/api/v1/signing/{token}/begun', {
          params: { path: { token } },
          body: { values: JSON.parse(text) as Record<string, string> },
          keepalive: text.length < 60_000,
        }),
      ).then(
        () => {
          kept.current = text;
        },
        () => {
          if (!ended) timer = setTimeout(keep, AGAIN);
        },
      );
    };
    timer = setTimeout(keep, PAUSE);
    // whoever leaves has it kept at once
    const leave = () => {
      if (document.visibilityState === 'hidden' && kept.current !== text) keep();
    };
    document.addEventListener('visibilitychange', leave);
    return () => {
      ended = true;
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', leave);
    };
  }, [token, turn, any, text]);
}
