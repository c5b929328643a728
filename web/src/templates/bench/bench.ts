import type { Schemas } from '../../api/client';
import type { Settings } from '../useTemplate';

export type Detail = Schemas['TemplateDetail'];
export type Field = Schemas['Field'];
/** What one of a template's wordings has. */
export type WordingParts = Schemas['WordingParts'];

/** What every face of a template's room works with. */
export type Bench = {
  /** The template as the server has it. */
  detail: Detail;
  /** Its settings as they are being typed. */
  settings: Settings;
  /** Whether it is published, so that nothing can be changed. */
  fixed: boolean;
  /** The document that is shown. */
  document: string;
  unsaved: boolean;
  change: (settings: Settings) => void;
  /** Takes over what the server answered to a change. */
  took: (detail: Detail) => void;
};

const NONE: Omit<WordingParts, 'document'> = {
  names: [],
  signingFields: [],
  passages: [],
  includes: [],
};

/** What a document has as a wording; nothing for one that is none. */
export const partsOf = ({ wordings }: Pick<Detail, 'wordings'>, document: string): WordingParts =>
  wordings.find((one) => one.document === document) ?? { document, ...NONE };

/** A field with the lists that it is in, from the outside in. */
export type Placed = { field: Field; lists: Field[] };

/** All fields of a form, those of lists' items after their list. */
export function allFields(fields: Field[], lists: Field[] = []): Placed[] {
  return fields.flatMap((field) => [
    { field, lists },
    ...allFields(field.items, [...lists, field]),
  ]);
}

/** A field of the form, or of the items of a list, by the names of both. */
export function placedField({ fields }: Settings, name: string, list = ''): Placed | undefined {
  return allFields(fields).find(
    (one) => one.field.name === name && (one.lists.at(-1)?.name ?? '') === list,
  );
}

/** The settings with one field changed. */
export function withField(
  settings: Settings,
  { field, lists }: Placed,
  part: Partial<Field>,
): Settings {
  const changed = (fields: Field[], path: Field[]): Field[] => {
    const [outer, ...inner] = path;
    return fields.map((one) => {
      if (!outer) return one.name === field.name ? { ...one, ...part } : one;
      return one.name === outer.name ? { ...one, items: changed(one.items, inner) } : one;
    });
  };
  return { ...settings, fields: changed(settings.fields, lists) };
}

/** The settings without some fields. */
export function withoutFields(settings: Settings, gone: Placed[]): Settings {
  const left = (fields: Field[], path: string): Field[] =>
    fields
      .filter((field) => !gone.some((one) => pathOf(one) === `${path}${field.name}`))
      .map((field) => ({ ...field, items: left(field.items, `${path}${field.name}.`) }));
  return { ...settings, fields: left(settings.fields, '') };
}

/** Names a field among all of a form. */
export const pathOf = ({ field, lists }: Placed) =>
  [...lists, field].map(({ name }) => name).join('.');

/** Whether an expression speaks of a name. */
export function mentions(expression: string, name: string): boolean {
  return expression.split(/[^\p{L}\p{N}_]+/u).includes(name);
}
