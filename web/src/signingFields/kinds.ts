import { choice } from './choice';
import { date } from './date';
import { dateSigned } from './dateSigned';
import { fullName } from './fullName';
import { initials } from './initials';
import { lines } from './lines';
import { number } from './number';
import type { FieldKind, Kind } from './kind';
import { signature } from './signature';
import { text } from './text';
import { tick } from './tick';
import type { Catalogue } from '../messages/catalogue';
import type { Schemas } from '../api/client';

/** Every kind of signing field that the server knows; the compiler names one that is missing. */
export const kinds: Record<Kind, FieldKind> = {
  signature,
  initials,
  date_signed: dateSigned,
  full_name: fullName,
  text,
  lines,
  number,
  date,
  tick,
  choice,
};

/** The kinds that a participant is asked for; a field of one of them may be settled to be any other. */
export const askedKinds = (Object.keys(kinds) as Kind[]).filter((kind) => kinds[kind].asked);

/** What a field is called beside its party: a text by its own label, any other by its kind. */
export function calledIn(words: Catalogue, field: Schemas['SigningField']): string {
  const code = kinds[field.type.kind].name;
  return code ? words.say(code) : field.label;
}
