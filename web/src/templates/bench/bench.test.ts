import { describe, expect, it } from 'vitest';
import type { Settings } from '../useTemplate';
import {
  allFields,
  mentions,
  pathOf,
  placedField,
  withField,
  withoutFields,
  type Field,
} from './bench';

const field = (name: string, items: Field[] = []): Field => ({
  name,
  label: name,
  type: items.length ? 'ITEMS' : 'TEXT',
  required: true,
  hint: '',
  choices: [],
  items,
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
});

const settings = {
  fields: [field('title'), field('objects', [field('title'), field('parts', [field('title')])])],
} as unknown as Settings;

describe('fields of a form', () => {
  it('are found in lists within lists, by the list that they are in', () => {
    expect(allFields(settings.fields).map(pathOf)).toEqual([
      'title',
      'objects',
      'objects.title',
      'objects.parts',
      'objects.parts.title',
    ]);
    const found = placedField(settings, 'title', 'parts');
    expect(found && pathOf(found)).toBe('objects.parts.title');
    expect(placedField(settings, 'title', 'nothing')).toBeUndefined();
  });

  it('are changed where they are, and nowhere else', () => {
    const placed = placedField(settings, 'title', 'parts');
    if (!placed) throw new Error('not there');
    const changed = withField(settings, placed, { label: 'Part' });
    expect(allFields(changed.fields).map((one) => one.field.label)).toEqual([
      'title',
      'objects',
      'title',
      'parts',
      'Part',
    ]);
  });

  it('are removed where they are, and nowhere else', () => {
    const placed = placedField(settings, 'title', 'objects');
    if (!placed) throw new Error('not there');
    expect(allFields(withoutFields(settings, [placed]).fields).map(pathOf)).toEqual([
      'title',
      'objects',
      'objects.parts',
      'objects.parts.title',
    ]);
  });
});

it('an expression speaks of a name as a whole word', () => {
  expect(mentions('end_date - start_date > 3', 'end_date')).toBe(true);
  expect(mentions('end_dates > 3', 'end_date')).toBe(false);
  expect(mentions('sum(objects.value)', 'value')).toBe(true);
  expect(mentions('größe > 3', 'gr')).toBe(false);
});
