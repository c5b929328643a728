import type { Schemas } from '../../api/client';
import type { Field } from '../bench/bench';

export type Lookup = Schemas['Lookup'];
export type Fill = Schemas['Fill'];
type Columns = Schemas['RegisterTerms']['columns'];

const bare = (name: string) => name.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** Columns that are called like a field: where somebody would look for them. */
export function proposedFills(columns: Columns, fields: Field[]): Fill[] {
  const left = [...fields];
  return columns.flatMap(({ field: column }) => {
    const at = left.findIndex(
      ({ name, label }) =>
        [bare(name), bare(label)].includes(bare(column.name)) || bare(label) === bare(column.label),
    );
    const [field] = at < 0 ? [] : left.splice(at, 1);
    return field ? [{ column: column.name, field: field.name }] : [];
  });
}

/** The fills with a column that goes elsewhere, or nowhere. */
export function withFill(fills: Fill[], column: string, field: string): Fill[] {
  const others = fills.filter((one) => one.column !== column);
  return field ? [...others, { column, field }] : others;
}
