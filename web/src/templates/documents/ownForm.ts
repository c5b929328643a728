import type { Schemas } from '../../api/client';
import { mmOf } from '../../page/boxSize';
import type { Kind } from '../../signingFields/kind';
import { nameFor } from '../names';
import type { Settings } from '../useTemplate';
import type { TemplateDocument } from './document';
import { withDocument } from './document';
import { newDataPlace, newField, newSigningField, sizeOfBox } from './putting';

export type OwnField = Schemas['OwnField'];
type Field = Schemas['Field'];

/** What becomes of a field that a PDF brings: nothing, a datum of the form, or a signing field of a party. */
export type Fate = '' | 'datum' | `party:${string}`;

/** What is proposed: a place for a signature is the first signer's, anything else a datum. */
export function proposedFate({ kind }: OwnField, { parties }: Settings): Fate {
  if (kind !== 'SIGNATURE') return 'datum';
  const signer = parties.find(({ duty }) => duty === 'SIGNS');
  return signer ? `party:${signer.key}` : '';
}

const types: Record<OwnField['kind'], Field['type']> = {
  LINE: 'TEXT',
  LINES: 'LONG_TEXT',
  TICK: 'YES_NO',
  ONE_OF: 'CHOICE',
  LIST: 'CHOICE',
  SIGNATURE: 'TEXT',
};

const signingKinds: Record<OwnField['kind'], Kind> = {
  LINE: 'text',
  LINES: 'lines',
  TICK: 'tick',
  ONE_OF: 'choice',
  LIST: 'choice',
  SIGNATURE: 'signature',
};

type Widget = OwnField['widgets'][number];

const spotOf = (widget: Widget, height: number) => ({
  kind: 'ON_PAGE' as const,
  page: widget.page,
  left: hundredth(mmOf(widget.x)),
  top: hundredth(mmOf(height - widget.y - widget.height)),
});

const hundredth = (mm: number) => Math.round(mm * 100) / 100;

/**
 * The settings with the fields of a PDF's own form taken over where they stood, in their order.
 *
 * @param fates by the fields' names
 */
export function withOwnForm(
  settings: Settings,
  document: TemplateDocument,
  form: OwnField[],
  fates: Record<string, Fate>,
  sizes: Schemas['Size'][],
): Settings {
  let next = settings;
  const place = () => next.documents.find(({ id }) => id === document.id) ?? document;
  for (const one of form) {
    const fate = fates[one.name] ?? '';
    const heightOf = (widget: Widget) => sizes[widget.page - 1]?.height ?? 0;
    if (fate === 'datum') {
      const name = freeName(next, one);
      const field = { ...newField(name, one.label, types[one.kind]), required: one.required };
      if (field.type === 'CHOICE') field.choices = one.choices;
      next = { ...next, fields: [...next.fields, field] };
      const data = one.widgets.map((widget) => ({
        ...newDataPlace(name, spotOf(widget, heightOf(widget)), sizeOfBox({ ...widget })),
        ...(one.points > 0 && { points: Math.max(6, one.points) }),
        align: one.side,
        fit: one.kind === 'LINES' ? ('WRAP' as const) : ('SHRINK' as const),
        marks: marksOf(one, widget),
      }));
      next = withDocument(next, document.id, { data: [...place().data, ...data] });
    } else if (fate.startsWith('party:')) {
      const around = union(one.widgets);
      const kind = signingKinds[one.kind];
      const made = newSigningField(next, fate.slice(6), kind, one.label, sizeOfBox(around));
      const field = { ...made, type: settled(made.type, one) };
      next = withDocument({ ...next, signingFields: [...next.signingFields, field] }, document.id, {
        places: [...place().places, { field: field.name, spot: spotOf(around, heightOf(around)) }],
      });
    }
  }
  return next;
}

function settled(
  type: Schemas['SigningField']['type'],
  one: OwnField,
): Schemas['SigningField']['type'] {
  if (type.kind === 'choice')
    return { ...type, options: one.choices, required: one.required, preset: '' };
  if (type.kind === 'text') return { ...type, required: one.required, longest: one.longest };
  return 'required' in type ? { ...type, required: one.required } : type;
}

/** A button is crossed for its own answer, a tick for yes. */
function marksOf(one: OwnField, widget: Widget): string {
  if (one.kind === 'TICK') return 'yes';
  if (one.kind !== 'ONE_OF') return '';
  return one.choices[one.widgets.indexOf(widget)] ?? widget.choice;
}

function freeName({ fields, rules, choices }: Settings, one: OwnField): string {
  const taken = new Set([...fields, ...rules, ...choices].map(({ name }) => name));
  const base = nameFor(one.label) || nameFor(one.name) || 'field';
  let name = base;
  for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
  return name;
}

function union(widgets: Widget[]): Widget {
  const [first] = widgets;
  if (!first) throw new Error('a field stands somewhere');
  const here = widgets.filter(({ page }) => page === first.page);
  const x = Math.min(...here.map((one) => one.x));
  const y = Math.min(...here.map((one) => one.y));
  return {
    ...first,
    x,
    y,
    width: Math.max(...here.map((one) => one.x + one.width)) - x,
    height: Math.max(...here.map((one) => one.y + one.height)) - y,
  };
}
