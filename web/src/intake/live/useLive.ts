import { useCallback, useEffect, useRef, useState } from 'react';
import { Problem, sessionEnd } from '../../api/client';

/** How long nobody types before the pages are asked for, in milliseconds. */
const PAUSE = 250;
/** How long is waited for a server that is away. */
const AGAIN = 4000;

type Live<Made> = { made?: Made; of?: string; error?: unknown };

/**
 * What is made of something that keeps changing. One is asked for at a time, and then the newest: so whoever types gets pages of
 * the answers before the last ones at the oldest, and a server with much to do gets no queue from anybody.
 *
 * @param wanted what it is to be made of; nothing while it isn't wanted
 */
export function useLive<Made>(
  ask: (wanted: string) => Promise<Made>,
  wanted: string | undefined,
): Live<Made> {
  const [live, setLive] = useState<Live<Made>>({});
  const state = useRef({ wanted, asked: undefined as string | undefined, busy: false, on: true });
  const askNow = useRef(ask);
  useEffect(() => {
    askNow.current = ask;
    state.current.wanted = wanted;
  });
  const run = useCallback(() => {
    const now = state.current;
    const of = now.wanted;
    if (now.busy || !now.on || of === undefined || of === now.asked) return;
    now.busy = true;
    now.asked = of;
    askNow
      .current(of)
      .then(
        (made) => setLive({ made, of }),
        (error: unknown) => {
          setLive((before) => ({ ...before, error }));
          const away = error instanceof Problem && (error.status === 0 || error.status >= 500);
          if (away && now.asked === of) {
            now.asked = undefined;
            setTimeout(run, AGAIN);
          }
        },
      )
      .finally(() => {
        now.busy = false;
        if (now.wanted !== of) run();
      });
  }, []);
  useEffect(() => {
    // nobody is typing yet when the first is wanted
    const timer = setTimeout(run, state.current.asked === undefined ? 0 : PAUSE);
    return () => clearTimeout(timer);
  }, [wanted, run]);
  useEffect(() => {
    const now = state.current;
    now.on = true;
    // what was refused to nobody is asked for once more when somebody is signed in again
    const again = () => {
      now.asked = undefined;
      run();
    };
    sessionEnd.addEventListener('renewed', again);
    return () => {
      now.on = false;
      sessionEnd.removeEventListener('renewed', again);
    };
  }, [run]);
  return live;
}
