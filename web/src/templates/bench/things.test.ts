import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { dataThings, keyOfSubject, placedAs, subjectOfKey, type Subject } from './things';

const field = (name: string, label: string, more: Partial<Schemas['Field']> = {}) => ({
  name,
  label,
  type: 'TEXT' as const,
  required: true,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
  ...more,
});

const passage = (number: number, name: string, inverted = false) => ({
  number,
  name,
  inverted,
  part: '',
  place: '',
  begins: '',
});

const line = (page: number, y: number) => ({ page, x: 70, y, width: 30, height: 10 });
const value = (name: string, page: number, y: number, list = '') => ({
  kind: 'VALUE' as const,
  name,
  list,
  number: -1,
  items: [],
  ...line(page, y),
});
const printing = (number: number, page: number, y: number) => ({
  ...value('', page, y),
  kind: 'PASSAGE' as const,
  number,
});

const detail = {
  content: {
    fields: [
      field('lender', 'Who lends'),
      field('by', 'Carried', { type: 'CHOICE', choices: ['By road', 'By air'] }),
      field('objects', 'Objects', { type: 'ITEMS', items: [field('title', 'What it is')] }),
    ],
    rules: [{ name: 'dear', label: 'They are dear', within: '', expression: '', gives: 'YES_NO' }],
    choices: [
      {
        name: 'cover',
        label: 'Cover',
        cases: [
          { label: 'State indemnity', condition: 'true', clause: '' },
          { label: 'Insured', condition: '', clause: '' },
        ],
      },
    ],
  },
  includes: [{ clause: 'care_of_paper', begins: '' }],
  passages: [
    passage(0, 'cover.state_indemnity'),
    passage(1, 'cover.insured'),
    passage(2, 'dear'),
    passage(3, 'dear', true),
    passage(4, 'objects'),
    passage(5, 'by.by_road'),
  ],
} as unknown as Parameters<typeof dataThings>[0];

const sheet = {
  url: '',
  pages: { sizes: [], fields: [] },
  printed: [
    value('lender', 1, 700),
    value('lender', 2, 600),
    value('title', 1, 500, 'objects'),
    printing(0, 1, 400),
    printing(1, 1, 380),
  ],
};

describe('what the left margin tells of', () => {
  const things = dataThings(detail, sheet);
  const called = (label: string) => things.find((one) => one.label === label);

  it('is one thing for a field, with all its places', () => {
    expect(called('Who lends')?.lines.map(({ page }) => page)).toEqual([1, 2]);
    expect(called('What it is')?.key).toBe('field.objects.title');
    expect(called('Carried')?.lines).toEqual([]);
  });

  it('has the cases of one choice side by side, and a single case alone', () => {
    const cover = called('Cover: State indemnity | Insured');
    expect(cover?.cases?.map(({ label, lines }) => [label, lines.length])).toEqual([
      ['State indemnity', 1],
      ['Insured', 1],
    ]);
    expect(called('for Carried: By road')?.cases).toBeUndefined();
  });

  it('names passages in the coordinator’s words, never by a key', () => {
    expect(things.filter(({ spans }) => spans).map(({ label }) => label)).toEqual([
      'Clause care of paper',
      'Cover: State indemnity | Insured',
      'for They are dear',
      'unless They are dear',
      'for each of Objects',
      'for Carried: By road',
    ]);
  });
});

it('every thing has an address that leads back to it', () => {
  const subjects: Subject[] = [
    { kind: 'field', name: 'lender', list: '' },
    { kind: 'field', name: 'title', list: 'objects' },
    { kind: 'rule', index: 0 },
    { kind: 'choice', index: 3 },
    { kind: 'passage', number: 12 },
    { kind: 'cases', numbers: [0, 1] },
    { kind: 'clause', number: 2 },
    { kind: 'signing', name: 'lender_signature' },
    { kind: 'own', name: 'agreement_number' },
  ];
  for (const subject of subjects) expect(subjectOfKey(keyOfSubject(subject))).toEqual(subject);
  for (const wrong of ['', 'field', 'rule.x', 'what.ever']) {
    const read = subjectOfKey(wrong);
    expect(read === undefined || read.kind === 'field').toBe(true);
  }
});

describe('a place of a signing field', () => {
  const of = (name: string, sameAs = ''): Schemas['SigningField'] =>
    ({ name, sameAs }) as Schemas['SigningField'];
  const known = [of('lender_signature'), of('lender_line_2')];

  it('belongs to the field of its name, or of the name before a number', () => {
    expect(placedAs(of('lender_signature'), known)).toEqual({
      name: 'lender_signature',
      occurrence: 0,
    });
    expect(placedAs(of('lender_signature_3'), known)).toEqual({
      name: 'lender_signature',
      occurrence: 2,
    });
  });

  it('keeps a number that is its own name, and shows the answer of another', () => {
    expect(placedAs(of('lender_line_2'), known)).toEqual({ name: 'lender_line_2', occurrence: 0 });
    expect(placedAs(of('lender_signature_2', 'lender_signature'), known).occurrence).toBe(0);
    expect(placedAs(of('nobody_9'), known)).toEqual({ name: 'nobody_9', occurrence: 0 });
  });
});
