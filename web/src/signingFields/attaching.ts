import { createContext } from 'react';

/** Sends a file that a participant attaches; returns the answer by which it is given, or throws what is wrong with it. */
export const Attaching = createContext<(file: File) => Promise<string>>(() =>
  Promise.reject(new Error('files are attached on a participant’s page only')),
);

/** The largest file that is taken, in bytes; the server says so too. */
export const LARGEST = 5_000_000;
