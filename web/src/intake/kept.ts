import { useEffect, useRef } from 'react';
import { answer, api, Problem, type Schemas } from '../api/client';
import type { Answers } from './inputProps';
import { useLive } from './live/useLive';

/** Answers as they are typed, in a language; one that isn't said is the template's own. */
export type Begun = Answers & { language?: string | null; renews?: string | null };

const place = (key: string) => `jalousie.form.${key}`;

function bodyOf(template: string, wanted: string): Schemas['BegunAnswers'] {
  const begun = JSON.parse(wanted) as Begun;
  const taken = begun.taken?.map(({ question, row, said }) => ({
    question,
    row,
    said: said ?? {},
  }));
  return { template, language: null, renews: null, ...begun, taken: taken ?? null };
}

/** Answers of a form that no server has yet, from this browser; nothing when all were kept. */
export function leftHere(key: string): Begun | undefined {
  try {
    const text = window.localStorage.getItem(place(key));
    return text ? (JSON.parse(text) as Begun) : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps answers of a form in this browser; nothing forgets them. */
export function leaveHere(key: string, answers: string | undefined) {
  try {
    if (answers === undefined) window.localStorage.removeItem(place(key));
    else window.localStorage.setItem(place(key), answers);
  } catch {
    // a browser without room keeps them in the form alone
  }
}

/** Forgets what is left of a form in this browser. */
export const forgetHere = (key: string) => leaveHere(key, undefined);

export type Keeping = 'nothing' | 'keeping' | 'kept' | 'not-kept';

/**
 * Keeps answers as they are typed: at once in this browser, and with the server as soon as nobody types. What the server has
 * is not left in the browser.
 *
 * @param typed the answers as JSON; nothing while nobody has changed any
 */
export function useKept(key: string, template: string, typed: string | undefined): Keeping {
  const over = useRef(false);
  useEffect(() => {
    if (typed !== undefined && !over.current) leaveHere(key, typed);
  }, [key, typed]);
  const { of, error } = useLive(async (wanted) => {
    if (over.current) return true;
    try {
      await answer(
        api.PUT('/api/v1/begun-forms/{key}', {
          params: { path: { key } },
          body: bodyOf(template, wanted),
        }),
      );
    } catch (refused) {
      // handed in meanwhile, maybe in another tab: there is nothing to be kept any more
      if (!(refused instanceof Problem) || refused.said?.code !== 'form.handed-in') throw refused;
      over.current = true;
      forgetHere(key);
    }
    return true;
  }, typed);
  const kept = typed !== undefined && of === typed;
  useEffect(() => {
    if (kept) forgetHere(key);
  }, [key, kept]);
  if (typed === undefined || over.current) return 'nothing';
  return kept ? 'kept' : error ? 'not-kept' : 'keeping';
}
