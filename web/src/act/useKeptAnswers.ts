import { useEffect, useRef, useState } from 'react';
import { answer, api, Problem } from '../api/client';
import type { SigningPage } from './useAct';

/** How long typing rests before it is kept, how long a lost connection is left alone, and how long an answer is waited for, in ms. */
const PAUSE = 700;
const AGAIN = 8000;
const PATIENCE = 20_000;

/** As large as what a page that is being left can still send (Fetch, §4.6). */
const LARGEST_AT_LEAVING = 60_000;

/**
 * Keeps what is typed under the link, for a reload and for another device. One after the other, so that the newest is what
 * stays; a lost connection is tried again, a refusal isn't.
 *
 * @returns why what was typed last isn't kept
 */
export function useKeptAnswers(
  token: string,
  page: SigningPage | undefined,
  typed: Record<string, string>,
): 'away' | Problem | undefined {
  const [trouble, setTrouble] = useState<'away' | Problem>();
  const turn = page?.standing === 'TURN' && !page.ended && page.identity.shown;
  const any = Object.keys(typed).length > 0;
  const text = JSON.stringify({ ...page?.begun, ...typed });
  const wanted = turn && any ? text : '';
  const newest = useRef('');
  const done = useRef('');
  const flying = useRef(false);
  useEffect(() => {
    newest.current = wanted;
    if (!wanted || done.current === wanted) return undefined;
    let timer: ReturnType<typeof setTimeout>;
    let ended = false;
    const keep = () => {
      clearTimeout(timer);
      if (ended || done.current === wanted) return;
      if (flying.current) {
        timer = setTimeout(keep, PAUSE);
        return;
      }
      flying.current = true;
      sent(token, wanted)
        .then(
          () => {
            done.current = wanted;
            setTrouble(undefined);
          },
          (problem: unknown) => {
            const refused = problem instanceof Problem && isRefusal(problem.status);
            if (refused) done.current = wanted;
            else timer = setTimeout(keep, AGAIN);
            // of what has been typed over since, nothing is told
            if (newest.current === wanted) setTrouble(refused ? problem : 'away');
          },
        )
        .finally(() => {
          flying.current = false;
        });
    };
    timer = setTimeout(keep, PAUSE);
    // whoever leaves has it kept at once
    const leave = () => {
      if (document.visibilityState === 'hidden') keep();
    };
    document.addEventListener('visibilitychange', leave);
    return () => {
      ended = true;
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', leave);
    };
  }, [token, wanted]);
  return turn ? trouble : undefined;
}

/** The request is at fault, and would be again; too many of them may be taken later. */
const isRefusal = (status: number) => status >= 400 && status < 500 && status !== 429;

function sent(token: string, text: string): Promise<unknown> {
  return answer(
    api.PUT('/api/v1/signing/{token}/begun', {
      params: { path: { token } },
      body: { values: JSON.parse(text) as Record<string, string> },
      keepalive: text.length < LARGEST_AT_LEAVING,
      signal: AbortSignal.timeout(PATIENCE),
    }),
  );
}
