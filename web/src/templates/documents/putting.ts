import type { Schemas } from '../../api/client';
import { mmOf, type BoxSize } from '../../page/boxSize';
import type { Kind } from '../../signingFields/kind';
import { typeOf } from '../../signingFields/onPages';
import type { Settings } from '../useTemplate';
import type { DataPlace, Spot, TemplateDocument } from './document';
import { withDocument } from './document';
import type { Box } from './items';

type SigningField = Schemas['SigningField'];
type Field = Schemas['Field'];

const noSource: SigningField['from'] = { kind: 'NOTHING', name: '', raw: '', printed: '' };

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
  for (let i = 2; taken.has(name); i++) name = `${base}_p${i}`;
  return {
    name,
    party,
    label,
    type: typeOf(kind, size),
    sameAs: '',
    when: { field: '', answer: '' },
    requiredWhen: { field: '', answer: '' },
    from: noSource,
    repeats: 'USUAL',
  };
}

export function newField(name: string, label: string, type: Field['type'] = 'TEXT'): Field {
  return {
    name,
    label,
    type,
    required: true,
    hint: '',
    choices: [],
    items: [],
    initial: '',
    ownAnswer: false,
    files: { kinds: [], megabytes: 5 },
  };
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
  const signs = field.type.kind === 'signature';
  return withDocument(
    {
      ...settings,
      signingFields: known ? settings.signingFields : [...settings.signingFields, field],
      // whoever has a place for a signature signs
      parties: settings.parties.map((one) =>
        signs && one.key === field.party && one.duty === 'COMPLETES'
          ? { ...one, duty: 'SIGNS' }
          : one,
      ),
    },
    document.id,
    { places: [...document.places, { field: field.name, spot }] },
  );
}

/** The settings with a field that was put on a page given to another party, under a name of that one's. */
export function handedOver(settings: Settings, field: SigningField, party: string): Settings {
  const { name } = newSigningField(settings, party, field.type.kind, field.label, field.type.size);
  const next: SigningField = {
    ...field,
    name,
    party,
    // what it waited for was the first party's
    sameAs: '',
    when: { field: '', answer: '' },
    requiredWhen: { field: '', answer: '' },
    from: field.from.kind === 'DATUM' ? field.from : noSource,
  };
  return {
    ...settings,
    signingFields: settings.signingFields.map((one) => (one.name === field.name ? next : one)),
    documents: settings.documents.map((document) => ({
      ...document,
      places: document.places.map((place) =>
        place.field === field.name ? { ...place, field: name } : place,
      ),
    })),
  };
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
