import { Problem } from '../api/client';

/** What a document may be made from, as a file chooser takes it. */
export const acceptedFiles =
  '.pdf,.png,.jpg,.jpeg,.docx,.doc,.odt,.rtf,.xlsx,.xls,.ods,.pptx,.ppt,.odp';

/** Whether a file, by its name, is one of those whose tags are read. */
export const isWordFile = (file: string) => /\.docx$/i.test(file);

/** What a document may be called by its file: the name without its ending. */
export const nameOfFile = (file: string) =>
  file
    .replace(/\.[A-Za-z0-9]{1,5}$/, '')
    .replace(/[_\s]+/g, ' ')
    .trim();

/** Why a file was refused, for what can be offered instead. */
export const refusedFor = (error: unknown): string | undefined =>
  error instanceof Problem ? error.said?.code : undefined;
