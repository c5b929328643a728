import { createContext, useContext } from 'react';
import { Problem } from '../api/client';
import { english, type Catalogue } from './catalogue';

/** The language in which a page speaks; English unless a participant speaks another one. */
export const Speech = createContext<Catalogue>(english);

export function useSay(): Catalogue {
  return useContext(Speech);
}

/** What went wrong, in the page's language where the server or this page knows how to say it. */
export function problemWords(words: Catalogue, error: unknown): string {
  if (!(error instanceof Problem)) return words.say('server.failed');
  return words.saying(error.said) ?? error.message;
}
