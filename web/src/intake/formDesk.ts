import { createContext } from 'react';
import { upload, type Schemas } from '../api/client';
import type { Field } from './inputProps';

/** What a form that is being filled needs of the server besides reading its answers: where files are taken in and shown. */
export type FormDesk = {
  /** Keeps a picture; tells the answer to its question. */
  keepPicture: (file: File) => Promise<string>;
  pictureAt: (picture: string) => string;
  /** Keeps a file; tells the answer to its question. */
  keepFile: (file: File, field: Field) => Promise<string>;
  /** Where a file can be fetched again; nothing where it can't. */
  fileAt: (hash: string, name: string) => string | undefined;
};

/** The office's own desk. */
const office: FormDesk = {
  keepPicture: async (file) =>
    (await upload<Schemas['KeptPicture']>('/api/v1/pictures', file)).file,
  pictureAt: (picture) => `/api/v1/pictures/${picture}`,
  keepFile: async (file, { files }) => {
    const limits = `kinds=${files.kinds.join(',')}&megabytes=${files.megabytes}`;
    return (await upload<Schemas['KeptFile']>(`/api/v1/form-files?${limits}`, file)).answer;
  },
  fileAt: (hash, name) => `/api/v1/form-files/${hash}?name=${encodeURIComponent(name)}`,
};

export const Desk = createContext<FormDesk>(office);
