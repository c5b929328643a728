import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';

type Field = Schemas['Field'];
type FieldType = Field['type'];

/** One way to compare; `feel` writes it in FEEL (OMG DMN, chapter 10). */
export type Comparison = { key: string; words: string; value: boolean; feel: string };

const same: Comparison[] = [
  { key: 'is', words: 'is', value: true, feel: '{f} = {v}' },
  { key: 'is_not', words: say('templates.is-not'), value: true, feel: '{f} != {v}' },
];
const sizes: Comparison[] = [
  { key: 'more', words: say('templates.is-more-than'), value: true, feel: '{f} > {v}' },
  { key: 'least', words: say('templates.is-at-least'), value: true, feel: '{f} >= {v}' },
  { key: 'less', words: say('templates.is-less-than'), value: true, feel: '{f} < {v}' },
];
const presence: Comparison[] = [
  { key: 'given', words: say('templates.is-given'), value: false, feel: '{f} != null' },
  { key: 'blank', words: say('templates.is-blank'), value: false, feel: '{f} = null' },
];

const byType: Partial<Record<FieldType, Comparison[]>> = {
  NUMBER: [...sizes, ...same, ...presence],
  MONEY: [...sizes, ...same, ...presence],
  DATE: [
    { key: 'after', words: say('templates.is-after'), value: true, feel: '{f} > {v}' },
    { key: 'before', words: say('templates.is-before'), value: true, feel: '{f} < {v}' },
    ...same,
    ...presence,
  ],
  YES_NO: [
    { key: 'yes', words: say('templates.is-yes'), value: false, feel: '{f} = true' },
    { key: 'no', words: say('templates.is-not-yes'), value: false, feel: 'not({f} = true)' },
  ],
  ITEMS: [
    {
      key: 'many',
      words: say('templates.has-more-items-than'),
      value: true,
      feel: 'count({f}) > {v}',
    },
    { key: 'none', words: say('templates.has-no-item'), value: false, feel: 'count({f}) = 0' },
    { key: 'some', words: say('templates.has-an-item'), value: false, feel: 'count({f}) > 0' },
  ],
  ADDRESS: [
    {
      key: 'in',
      words: say('templates.is-in-the-country'),
      value: true,
      feel: '{f}.country = {v}',
    },
    {
      key: 'not_in',
      words: say('templates.is-not-in-the-country'),
      value: true,
      feel: '{f}.country != {v}',
    },
    ...presence,
  ],
  PICTURE: presence,
};

export function comparisonsOf(type: FieldType): Comparison[] {
  return (
    byType[type] ?? [
      ...same,
      { key: 'contains', words: 'contains', value: true, feel: 'contains({f}, {v})' },
      ...presence,
    ]
  );
}

/** A condition in FEEL; empty while its value is missing or can't be one of its type. */
export function toFeel(field: Pick<Field, 'name' | 'type'>, key: string, value: string): string {
  const comparison = comparisonsOf(field.type).find((one) => one.key === key);
  if (!comparison) return '';
  const literal = comparison.value ? literalOf(field.type, value.trim()) : '';
  if (comparison.value && !literal) return '';
  return comparison.feel.replace('{f}', field.name).replace('{v}', () => literal);
}

function literalOf(type: FieldType, value: string): string {
  if (type === 'NUMBER' || type === 'MONEY' || type === 'ITEMS') {
    const number = value.replace(/^[A-Z]{3}\s*/, '');
    // the office's rooms are in English: whole groups of three, one full stop
    return /^-?(\d+|\d{1,3}(,\d{3})+)(\.\d+)?$/.test(number) ? number.replace(/,/g, '') : '';
  }
  if (type === 'DATE') return /^\d{4}-\d\d-\d\d$/.test(value) ? `date("${value}")` : '';
  return value ? `"${value.replace(/[\\"]/g, '\\$&')}"` : '';
}

/** Why a number can't be taken as it is typed, with what it could mean; empty when nothing is wrong with it. */
export function numberFault(type: FieldType, value: string): string {
  const number = value.trim().replace(/^[A-Z]{3}\s*/, '');
  if (!['NUMBER', 'MONEY', 'ITEMS'].includes(type) || !number || literalOf(type, number)) return '';
  if (!/^-?\d+([.,' ]\d+)+$/.test(number)) return say('templates.a-number-is-expected-for');
  const parts = /^(.*)([.,' ])(\d+)$/.exec(number);
  const digits = (text: string) => text.replace(/[.,' ]/g, '');
  const readings = new Set<string>();
  if (parts?.[1] && /[.,]/.test(parts[2] ?? '') && !parts[1].includes(parts[2] ?? '')) {
    readings.add(`${digits(parts[1])}.${parts[3]}`);
  }
  if (new Set(number.match(/[.,' ]/g)).size === 1) readings.add(digits(number));
  if (!readings.size) return say('templates.number-unreadable', { value: value.trim() });
  const all = new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(readings);
  return say('templates.number-readings', { value: value.trim(), readings: all });
}

/** Puts a further condition to an expression. */
export function joined(expression: string, by: 'and' | 'or', condition: string): string {
  const before = expression.trim();
  if (!before) return condition;
  const other = by === 'and' ? ' or ' : ' and ';
  const guarded = before.includes(other) && !/^\(.*\)$/.test(before) ? `(${before})` : before;
  return `${guarded} ${by} ${condition}`;
}
