import { expect, test } from 'vitest';
import { newField } from '../templates/form/AddQuestion';
import {
  editedInCell,
  readConditions,
  widthOf,
  writeCondition,
  type RegisterColumn,
} from './registers';

const column = (type: RegisterColumn['field']['type'], related = ''): RegisterColumn => ({
  field: { ...newField('x', new Set()), type },
  unique: false,
  related,
});

test('a condition comes back from the address as it was, whatever its value has in it', () => {
  for (const one of [
    { column: 'town', how: 'is', value: 'Delft' },
    { column: 'made', how: 'from', value: '2027-03-15T09:30 Europe/Paris' },
    { column: 'value', how: 'to', value: 'EUR 1,250.50' },
    { column: 'kind', how: 'blank', value: '' },
  ]) {
    const params = new URLSearchParams();
    params.append('where', writeCondition(one));
    expect(readConditions(new URLSearchParams(params.toString()))).toEqual([one]);
  }
  expect(readConditions(new URLSearchParams(''))).toEqual([]);
});

test('what takes more than a line is changed in the row’s room', () => {
  expect(editedInCell(column('MONEY'))).toBe(true);
  expect(editedInCell(column('TEXT', 'houses'))).toBe(true);
  for (const type of ['ADDRESS', 'NAME', 'LONG_TEXT', 'PICTURE', 'DATE_TIME'] as const)
    expect(editedInCell(column(type))).toBe(false);
});

test('columns begin as wide as what stands in them', () => {
  expect(widthOf(column('YES_NO'))).toBeLessThan(widthOf(column('MONEY')));
  expect(widthOf(column('MONEY'))).toBeLessThan(widthOf(column('ADDRESS')));
});
