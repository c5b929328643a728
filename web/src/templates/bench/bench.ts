import type { Schemas } from '../../api/client';
import type { Settings } from '../useTemplate';

export type Detail = Schemas['TemplateDetail'];
export type Field = Schemas['Field'];

/** What every face of a template's room works with. */
export type Bench = {
  /** The template as the server has it. */
  detail: Detail;
  /** Its settings as they are being typed. */
  settings: Settings;
  /** Whether it is published, so that nothing can be changed. */
  fixed: boolean;
  unsaved: boolean;
  change: (settings: Settings) => void;
  /** Takes over what the server answered to a change. */
  took: (detail: Detail) => void;
};

/** A field of the form, or of a list's items. */
export function fieldOf({ fields }: Settings, name: string, list = ''): Field | undefined {
  const among = list ? fields.find((one) => one.name === list)?.items : fields;
  return among?.find((one) => one.name === name);
}

/** The settings with one field changed. */
export function withField(
  settings: Settings,
  name: string,
  list: string,
  part: Partial<Field>,
): Settings {
  const changed = (fields: Field[]) =>
    fields.map((one) => (one.name === name ? { ...one, ...part } : one));
  return {
    ...settings,
    fields: list
      ? settings.fields.map((one) =>
          one.name === list ? { ...one, items: changed(one.items) } : one,
        )
      : changed(settings.fields),
  };
}

/** Whether an expression speaks of a name. */
export function mentions(expression: string, name: string): boolean {
  return expression.split(/[^\p{L}\p{N}_]+/u).includes(name);
}
