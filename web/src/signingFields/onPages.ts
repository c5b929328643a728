import { say } from '../messages/rooms';
import type { Catalogue } from '../messages/catalogue';
import type { BoxSize } from '../page/boxSize';
import type { FieldType, Kind } from './kind';
import { kinds } from './kinds';

/** What is usual for a field that nobody has drawn to a size, in mm. */
const usualSizes: Partial<Record<Kind, BoxSize>> = {
  signature: { widthMm: 60, heightMm: 18 },
  initials: { widthMm: 20, heightMm: 10 },
  tick: { widthMm: 5, heightMm: 5 },
  lines: { widthMm: 80, heightMm: 20 },
};
const usualSize: BoxSize = { widthMm: 50, heightMm: 7 };

/** The room that a kind usually takes. */
export const sizeOfKind = (kind: Kind): BoxSize => usualSizes[kind] ?? usualSize;

/** The kinds that can be put on a page, in the order in which they are offered. */
export const offered: Kind[] = [
  'signature',
  'full_name',
  'date_signed',
  'initials',
  'text',
  'lines',
  'number',
  'date',
  'tick',
  'choice',
  'money',
  'file',
  'copy',
  'worked_out',
];

/** A kind with its usual settings at a size. */
export function typeOf(kind: Kind, size: BoxSize): FieldType {
  switch (kind) {
    case 'signature':
    case 'initials':
    case 'date_signed':
    case 'full_name':
      return { kind, size };
    default: {
      const usual = kinds[kind].usual?.(size);
      return usual ? { ...usual, size } : { kind: 'copy', size };
    }
  }
}

/** What a kind is called where it is chosen. */
export function calledKind(words: Catalogue, kind: Kind): string {
  const { name, called } = kinds[kind];
  if (name) return words.say(name);
  return called ? say(called) : kind;
}
