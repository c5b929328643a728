import { expect, test } from 'vitest';
import type { Schemas } from '../api/client';
import { printedThings } from './printedThings';

type Printed = Schemas['Printed'];
type Made = Schemas['PrintedThing'];

const line = (part: Partial<Printed>): Printed => ({
  kind: 'VALUE',
  name: '',
  list: '',
  number: -1,
  items: [],
  page: 1,
  x: 70,
  y: 700,
  width: 30,
  height: 10,
  ...part,
});

const made = (part: Partial<Made>): Made => ({
  kind: 'VALUE',
  name: '',
  list: '',
  number: -1,
  datum: '',
  label: '',
  rule: false,
  unless: false,
  repeats: false,
  ...part,
});

const data = [
  { name: 'objects', label: 'Objects' },
  { name: 'note', label: 'Note' },
];

test('a list has what its items printed, however deep, from the top down', () => {
  const things = printedThings(
    data,
    [
      made({ name: 'made', list: 'parts', datum: 'objects', label: 'Made' }),
      made({ name: 'title', list: 'objects', datum: 'objects', label: 'Title' }),
    ],
    [
      line({ name: 'made', list: 'parts', y: 500 }),
      line({ name: 'title', list: 'objects', y: 600 }),
      line({ name: 'title', list: 'objects', y: 400 }),
      line({ name: 'made', list: 'parts', page: 2, y: 700 }),
    ],
  );
  expect(things.map(({ key }) => key)).toEqual(['datum.objects', 'datum.note']);
  expect(things[0]?.lines.map(({ page, y }) => [page, y])).toEqual([
    [1, 600],
    [1, 500],
    [1, 400],
    [2, 700],
  ]);
  expect(things[1]?.lines).toEqual([]);
});

test('what follows by rule, passages and clauses are called by their labels', () => {
  const things = printedThings(
    [],
    [
      made({ name: 'total', label: 'All pieces', rule: true }),
      made({ name: 'agreement_number', label: 'Agreement number' }),
      made({ kind: 'PASSAGE', number: 0, label: 'Objects', repeats: true }),
      made({ kind: 'PASSAGE', number: 1, label: 'Cover: State' }),
      made({ kind: 'PASSAGE', number: 2, label: 'Fragile', unless: true }),
      made({ kind: 'CLAUSE', number: 0, label: 'care of gut' }),
    ],
    [line({ name: 'total' }), line({ kind: 'PASSAGE', number: 1 })],
  );
  expect(things.map(({ label, spans, lines }) => [label, spans, lines.length])).toEqual([
    ['All pieces (rule)', false, 1],
    ['Agreement number', false, 0],
    ['for each of Objects', true, 0],
    ['for Cover: State', true, 1],
    ['unless Fragile', true, 0],
    ['Clause care of gut', true, 0],
  ]);
});
