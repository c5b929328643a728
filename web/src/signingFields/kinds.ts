import { dateSigned } from './dateSigned';
import { fullName } from './fullName';
import { initials } from './initials';
import type { FieldKind, Kind } from './kind';
import { signature } from './signature';
import { text } from './text';

/** Every kind of signing field that the server knows; the compiler names one that is missing. */
export const kinds: Record<Kind, FieldKind> = {
  signature,
  initials,
  date_signed: dateSigned,
  full_name: fullName,
  text,
};
