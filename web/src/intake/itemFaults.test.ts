import { expect, test } from 'vitest';
import { byAnswer, within } from './itemFaults';

const faults = {
  fee: 'No money.',
  objects: 'Item 2: …',
  'objects[1].title': 'Missing.',
  'objects[1].parts': 'Item 1: …',
  'objects[1].parts[0].weight': 'No number.',
  objects_total: 'Too little.',
};

test('what is wrong within items belongs to their list, and to no other answer', () => {
  expect(byAnswer(faults)).toEqual([
    ['fee', { message: 'No money.' }],
    [
      'objects',
      {
        message: 'Item 2: …',
        types: {
          '[1].title': 'Missing.',
          '[1].parts': 'Item 1: …',
          '[1].parts[0].weight': 'No number.',
        },
      },
    ],
    ['objects_total', { message: 'Too little.' }],
  ]);
});

test('each input of an item is told its own', () => {
  const types = byAnswer(faults)[1]?.[1].types;
  expect(within(types, 1, 'title')).toEqual({ fault: 'Missing.', within: undefined });
  expect(within(types, 0, 'title')).toEqual({ fault: undefined, within: undefined });
  const parts = within(types, 1, 'parts');
  expect(parts.fault).toBe('Item 1: …');
  expect(within(parts.within, 0, 'weight').fault).toBe('No number.');
});
