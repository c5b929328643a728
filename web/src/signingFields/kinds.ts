import { choice } from './choice';
import { copy } from './copy';
import { date } from './date';
import { dateSigned } from './dateSigned';
import { file } from './file';
import { fullName } from './fullName';
import { initials } from './initials';
import { lines } from './lines';
import { money } from './money';
import { number } from './number';
import type { FieldKind, Kind } from './kind';
import { signature } from './signature';
import { text } from './text';
import { tick } from './tick';
import { workedOut } from './workedOut';
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
  money,
  file,
  copy,
  worked_out: workedOut,
};

/** The kinds that a field with a word of its own may be settled to be. */
export const settledKinds = (Object.keys(kinds) as Kind[]).filter((kind) => kinds[kind].called);

/** What a field is called beside its party: a text by its own label, any other by its kind. */
export function calledIn(words: Catalogue, field: Schemas['SigningField']): string {
  const code = kinds[field.type.kind].name;
  return code ? words.say(code) : field.label;
}
