import { useEffect, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import type { SigningPage } from './useAct';

type Derived = Schemas['Derived'];

/** How long typing rests before the server is asked, in ms. */
const PAUSE = 350;

/** What the program works out of what has been typed so far, as it will print; an answer that was overtaken is let go. */
export function useDerived(
  token: string,
  page: SigningPage | undefined,
  given: Record<string, string>,
): Derived[] {
  const typed = JSON.stringify(given);
  const needed = (page?.derived.length ?? 0) > 0;
  const [worked, setWorked] = useState<Derived[]>();
  useEffect(() => {
    if (!needed) return undefined;
    let overtaken = false;
    const wait = setTimeout(() => {
      const values = JSON.parse(typed) as Record<string, string>;
      answer(
        api.POST('/api/v1/signing/{token}/derived', {
          params: { path: { token } },
          body: { values },
        }),
      ).then(
        (made) => {
          if (!overtaken) setWorked(made);
        },
        // it is worked out again when the party acts
        () => undefined,
      );
    }, PAUSE);
    return () => {
      overtaken = true;
      clearTimeout(wait);
    };
  }, [token, needed, typed]);
  return worked ?? page?.derived ?? [];
}
