import type { Schemas } from '../../api/client';
import { mmOf, type BoxSize } from '../../page/boxSize';
import { kinds } from '../../signingFields/kinds';
import type { FieldType, Kind } from '../../signingFields/kind';
import type { Settings } from '../useTemplate';
import type { DataPlace, Spot, TemplateDocument } from './document';
import { withDocument } from './document';
import type { Box } from './items';

type SigningField = Schemas['SigningField'];
type Field = Schemas['Field'];

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

/** A signing field of a party under a name that is free; one that there is only one of is the one that stands elsewhere already. */
export function newSigningField(
  { signingFields }: Settings,
  party: string,
  kind: Kind,
  label: string,
  size: BoxSize,
): SigningField {
  const base = `${party}_${kind}`;
  const taken = new Set(signingFields.map(({ name }) => name));
  let name = base;
  for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
  return {
    name,
    party,
    label,
    type: typeOf(kind, size),
    sameAs: '',
    when: { field: '', answer: '' },
    requiredWhen: { field: '', answer: '' },
    from: { kind: 'NOTHING', name: '', raw: '', printed: '' },
    repeats: 'USUAL',
  };
}

export function newField(name: string, label: string, type: Field['type'] = 'TEXT'): Field {
  return { name, label, type, required: true, hint: '', choices: [], items: [], initial: '' };
}

/** A datum's place with what is usual. */
export function newDataPlace(tag: string, spot: Spot, size: BoxSize): DataPlace {
  return {
    tag,
    marks: '',
    spot,
    size,
    points: Math.min(11, Math.max(7, Math.round(size.heightMm * 1.9))),
    style: 'SANS',
    align: 'LEFT',
    fit: 'SHRINK',
  };
}

/** A size within what can be placed, in tenths of a millimetre. */
export function sizeOfBox(box: Box): BoxSize {
  const within = (points: number, least: number, most: number) =>
    Math.round(Math.max(least, Math.min(most, mmOf(points))) * 10) / 10;
  return { widthMm: within(box.width, 5, 180), heightMm: within(box.height, 4, 80) };
}

/** The settings with a signing field on a document. */
export function withSigningField(
  settings: Settings,
  document: TemplateDocument,
  field: SigningField,
  spot: Spot,
): Settings {
  const known = settings.signingFields.some(({ name }) => name === field.name);
  return withDocument(
    known ? settings : { ...settings, signingFields: [...settings.signingFields, field] },
    document.id,
    { places: [...document.places, { field: field.name, spot }] },
  );
}

/** The settings with a datum on a document. */
export function withDataPlace(
  settings: Settings,
  document: TemplateDocument,
  field: Field | undefined,
  place: DataPlace,
): Settings {
  return withDocument(
    field ? { ...settings, fields: [...settings.fields, field] } : settings,
    document.id,
    { data: [...document.data, place] },
  );
}
