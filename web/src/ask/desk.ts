import { answer, api, sendFile, type Schemas } from '../api/client';
import type { FormDesk } from '../intake/formDesk';
import type { SoFar } from '../intake/live/source';
import type { Reading } from '../intake/useFaults';

/** What the server does for somebody who fills a form that was shared by a link. */
export type AskDesk = FormDesk & {
  state: (answers: SoFar) => Promise<Schemas['FormState']>;
  text: (answers: SoFar) => Promise<Schemas['LiveText']>;
  reading: Reading;
};

/** @param access what saying the word gave; empty where none is needed */
export function deskOf(token: string, access: string): AskDesk {
  const path = { params: { path: { token } } };
  const files = `/api/v1/ask/${token}/files?access=${encodeURIComponent(access)}`;
  const keep = async (file: File, limits: string) => {
    const kept = await sendFile<Schemas['KeptFile']>(
      `${files}&name=${encodeURIComponent(file.name)}${limits}`,
      file,
    );
    return kept.answer;
  };
  return {
    // a picture is known by its hash alone
    keepPicture: async (file) => (await keep(file, '&kinds=PICTURE')).split(' ')[0] ?? '',
    pictureAt: (picture) => `/api/v1/ask/${token}/pictures/${picture}`,
    keepFile: (file, { files: { kinds, megabytes } }) =>
      keep(file, `&kinds=${kinds.join(',')}&megabytes=${megabytes}`),
    fileAt: () => undefined,
    state: (answers) =>
      answer(api.POST('/api/v1/ask/{token}/state', { ...path, body: { access, answers } })),
    text: (answers) =>
      answer(api.POST('/api/v1/ask/{token}/text', { ...path, body: { access, answers } })),
    reading: (typed) =>
      answer(api.POST('/api/v1/ask/{token}/reading', { ...path, body: { access, ...typed } })),
  };
}
