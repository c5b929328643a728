import { expect, test } from 'vitest';
import { proposedFate, withOwnForm, type OwnField } from './ownForm';
import { fixedDocument, settingsWith } from './sample';

const own = (part: Partial<OwnField>): OwnField => ({
  name: 'form.courier_name',
  label: 'Courier',
  kind: 'LINE',
  choices: [],
  required: true,
  longest: 40,
  points: 9,
  side: 'MIDDLE',
  widgets: [{ page: 1, x: 72, y: 700, width: 144, height: 20, choice: '' }],
  ...part,
});
const sizes = [{ width: 595, height: 842 }];

test('a signature is proposed to who signs, anything else as a datum', () => {
  const settings = settingsWith([]);
  expect(proposedFate(own({ kind: 'SIGNATURE' }), settings)).toBe('party:courier');
  expect(proposedFate(own({ kind: 'SIGNATURE' }), { ...settings, parties: [] })).toBe('');
  expect(proposedFate(own({}), settings)).toBe('datum');
});

test('data keep their order, names, types, choices and what is required, where they stood', () => {
  const document = fixedDocument();
  const way = own({
    name: 'way',
    label: 'Way',
    kind: 'ONE_OF',
    choices: ['Road', 'Rail'],
    required: false,
    widgets: [
      { page: 1, x: 72, y: 600, width: 12, height: 12, choice: '0' },
      { page: 1, x: 172, y: 600, width: 12, height: 12, choice: '1' },
    ],
  });
  const tick = own({ name: 'sealed', label: 'Sealed', kind: 'TICK' });
  const next = withOwnForm(
    settingsWith([document]),
    document,
    [own({}), way, tick],
    { 'form.courier_name': 'datum', way: 'datum', sealed: 'datum' },
    sizes,
  );
  const made = next.fields.slice(1);
  expect(made.map(({ label, type, required }) => [label, type, required])).toEqual([
    ['Courier', 'TEXT', true],
    ['Way', 'CHOICE', false],
    ['Sealed', 'YES_NO', true],
  ]);
  expect(made[1]?.choices).toEqual(['Road', 'Rail']);
  const data = next.documents[1]?.data ?? [];
  expect(data.map(({ tag, marks }) => [tag, marks])).toEqual([
    ['courier', ''],
    ['way', 'Road'],
    ['way', 'Rail'],
    ['sealed', 'yes'],
  ]);
  expect(data[0]).toMatchObject({
    points: 9,
    align: 'MIDDLE',
    spot: { kind: 'ON_PAGE', page: 1, left: 25.4, top: 43.04 },
    size: { widthMm: 50.8, heightMm: 7.1 },
  });
});

test('two fields of one label get two names', () => {
  const document = fixedDocument();
  const next = withOwnForm(
    settingsWith([document]),
    document,
    [own({ name: 'a' }), own({ name: 'b' })],
    { a: 'datum', b: 'datum' },
    sizes,
  );
  expect(next.fields.slice(1).map(({ name }) => name)).toEqual(['courier', 'courier_2']);
});

test('signing fields of a party keep what the form asks', () => {
  const document = fixedDocument();
  const next = withOwnForm(
    settingsWith([document]),
    document,
    [
      own({ label: 'Remarks', required: false }),
      own({ name: 'l', label: 'Way', kind: 'LIST', choices: ['a', 'b'] }),
      own({ name: 'none' }),
    ],
    { 'form.courier_name': 'party:clerk', l: 'party:clerk', none: '' },
    sizes,
  );
  expect(next.signingFields.map(({ name, label }) => [name, label])).toEqual([
    ['clerk_text', 'Remarks'],
    ['clerk_choice', 'Way'],
  ]);
  expect(next.signingFields[0]?.type).toMatchObject({ required: false, longest: 40 });
  expect(next.signingFields[1]?.type).toMatchObject({ options: ['a', 'b'] });
  expect(next.documents[1]?.places).toHaveLength(2);
});
