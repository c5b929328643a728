import { expect, test } from 'vitest';
import type { Schemas } from '../../api/client';
import { newField } from './AddQuestion';
import { proposedFills, withFill } from './lookup';

const field = (name: string, label: string) => ({ ...newField(label, new Set()), name });

const columns = [
  { field: field('town', 'Town'), unique: false, related: '' },
  { field: field('name', 'Lender’s name'), unique: false, related: '' },
  { field: field('fax', 'Fax'), unique: false, related: '' },
] as Schemas['RegisterColumn'][];

test('columns fill fields that are called like them, each one only once', () => {
  const fields = [
    field('lender_name', 'Lenders name'),
    field('town', 'Place'),
    field('town_2', 'Town'),
  ];
  expect(proposedFills(columns, fields)).toEqual([
    { column: 'town', field: 'town' },
    { column: 'name', field: 'lender_name' },
  ]);
  expect(proposedFills(columns, [])).toEqual([]);
});

test('a column goes to one field, or nowhere', () => {
  const fills = withFill([], 'town', 'place');
  expect(withFill(fills, 'town', 'other')).toEqual([{ column: 'town', field: 'other' }]);
  expect(withFill(fills, 'town', '')).toEqual([]);
});
