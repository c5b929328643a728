import { createContext } from 'react';
import type { Schemas } from '../api/client';
import { readItems } from './composite';

type Field = Schemas['Field'];

/** The language in which a form's numbers are shown and typed, as a BCP 47 tag; the server reads them by the same. */
export const FormLanguage = createContext('en-GB');

/** The time zone that the office keeps: what is said without one is meant in it. Empty where it isn't known. */
export const OfficeZone = createContext('');

/** Whether a form can only be read. What is no input of the browser's own, such as formatted text, has to ask. */
export const FormFixed = createContext(false);

/** A plain number with the marks of a language, with as many decimals as it has. */
export function typedNumber(plain: string, language: string): string {
  const number = /^-?\d+(?:\.(\d+))?$/.exec(plain);
  if (!number) return plain;
  const decimals = number[1]?.length ?? 0;
  return new Intl.NumberFormat(language, {
    numberingSystem: 'latn',
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  }).format(plain as Intl.StringNumericLiteral);
}

/** A stored value as the form shows it to be typed over. */
export function typed(field: Field, stored: string, language: string): string {
  if (field.type === 'NUMBER') return typedNumber(stored, language);
  if (field.type === 'MONEY') {
    return stored.replace(/^([A-Z]{3}) (\S+)$/, (_, code: string, number: string) => {
      return `${code} ${typedNumber(number, language)}`;
    });
  }
  if (field.type !== 'ITEMS' || !stored) return stored;
  const items = readItems(stored).map((item) => typedData(field.items, item, language));
  return JSON.stringify(items);
}

export function typedData(
  fields: Field[],
  stored: Record<string, string>,
  language: string,
): Record<string, string> {
  return Object.fromEntries(
    Object.entries(stored).map(([name, value]) => {
      const field = fields.find((one) => one.name === name);
      return [name, field ? typed(field, value, language) : value];
    }),
  );
}

/** What a form begins with that nobody has filled yet, as it is stored. */
export function initials(fields: Field[]): Record<string, string> {
  return Object.fromEntries(
    fields.flatMap(({ name, initial }) => (initial ? [[name, initial] as const] : [])),
  );
}
