import { expect, test } from 'vitest';
import { pointsOf } from '../../page/boxSize';
import { documentOf, shownDocument, withMoved } from './document';
import { boxOf, itemsOf, movedSpot, spotOnPage, withItems } from './items';
import { handedOver, newDataPlace, withDataPlace, withSigningField } from './putting';
import { fixedDocument, settingsWith, signature } from './sample';

const sizes = [{ width: 595, height: 842 }];
const size = { widthMm: 50, heightMm: 10 };
const onPage = { kind: 'ON_PAGE' as const, page: 1, left: 20, top: 30 };
const byWords = { kind: 'BY_WORDS' as const, words: 'Signed by', right: 5, down: -20 };
const tie = { page: 1, x: 100, y: 400, width: 60, height: 8 };

test('a spot on a page and its box are two ways of saying the same', () => {
  const box = boxOf(onPage, size, sizes, new Map());
  expect(box?.y).toBeCloseTo(842 - pointsOf(30) - pointsOf(10));
  expect(box && spotOnPage(box, sizes)).toEqual(onPage);
  expect(boxOf({ ...onPage, page: 2 }, size, sizes, new Map())).toBeUndefined();
});

test('what hangs on words stands beside them when they stand once, and nowhere else', () => {
  const at = (places: (typeof tie)[]) =>
    boxOf(byWords, size, sizes, new Map([['Signed by', places]]));
  expect(at([tie])?.x).toBeCloseTo(100 + pointsOf(5));
  expect(at([tie])?.y).toBeCloseTo(400 + pointsOf(20) - pointsOf(10));
  expect(at([])).toBeUndefined();
  expect(at([tie, tie])).toBeUndefined();
  expect(boxOf({ kind: 'OPEN' }, size, sizes, new Map())).toBeUndefined();
});

test('moving keeps what a spot hangs on', () => {
  expect(movedSpot(onPage, 1, -2)).toEqual({ ...onPage, left: 21, top: 28 });
  expect(movedSpot(byWords, 0.1, 5)).toEqual({ ...byWords, right: 5.1, down: -15 });
  expect(movedSpot({ kind: 'OPEN' }, 1, 1)).toEqual({ kind: 'OPEN' });
});

test('a field is put on a document, and whoever signs there signs', () => {
  const document = fixedDocument();
  const settings = settingsWith([document]);
  const clerks = { ...signature(settings), name: 'clerk_signature', party: 'clerk' };
  const next = withSigningField(settings, document, clerks, onPage);
  expect(next.parties.map(({ duty }) => duty)).toEqual(['SIGNS', 'SIGNS']);
  expect(next.documents[1]?.places).toEqual([{ field: 'clerk_signature', spot: onPage }]);
  expect(documentOf(next, [], 'signing.clerk_signature', 'wording')).toBe('document_1');
  expect(documentOf(next, [], 'field.instrument', 'wording')).toBeUndefined();
});

test('what stands in words is looked for where its words are, first on the document that is shown', () => {
  const annex = { ...fixedDocument(), id: 'document_2', kind: 'WORDING' as const };
  const settings = settingsWith([annex]);
  const parts = (document: string, names: string[], signingFields: string[]) => ({
    document,
    names,
    signingFields,
    passages: [],
    includes: [],
  });
  const wordings = [
    parts('wording', ['instrument'], ['lender_signature']),
    parts('document_2', ['instrument', 'objects'], ['lender_signature', 'clerk_note']),
  ];
  const at = (key: string, shown: string) => documentOf(settings, wordings, key, shown);
  expect(at('field.instrument', 'wording')).toBe('wording');
  expect(at('field.instrument', 'document_2')).toBe('document_2');
  expect(at('field.objects.title', 'wording')).toBe('document_2');
  expect(at('signing.lender_signature', 'document_2')).toBe('document_2');
  expect(at('signing.clerk_note', 'wording')).toBe('document_2');
  expect(at('field.nowhere', 'wording')).toBeUndefined();
});

test('items are told by place, and one is moved without the others', () => {
  const document = fixedDocument({
    places: [
      { field: 'courier_signature', spot: onPage },
      { field: 'gone', spot: onPage },
    ],
    data: [newDataPlace('instrument', onPage, size), newDataPlace('other_thing', onPage, size)],
  });
  const settings = settingsWith([document]);
  const all = { ...settings, signingFields: [signature(settings)] };
  const items = itemsOf(document, all, sizes, new Map(), () => 'signature');
  expect(items.map(({ label }) => label)).toEqual([
    'Courier, signature',
    'Instrument',
    'other thing',
  ]);
  const second = items.filter(({ id }) => id === 'data-1');
  const moved = withItems(document, second, () => byWords);
  expect(moved.data.map(({ spot }) => spot.kind)).toEqual(['ON_PAGE', 'BY_WORDS']);
  expect(moved.places).toEqual(document.places);
});

test('a field of another party has another name, wherever it stands', () => {
  const document = fixedDocument({ places: [{ field: 'courier_signature', spot: onPage }] });
  const base = settingsWith([document]);
  const settings = { ...base, signingFields: [signature(base)] };
  const field = settings.signingFields[0];
  if (!field) throw new Error('there is a field');
  const next = handedOver(settings, field, 'clerk');
  expect(next.signingFields.map(({ name, party }) => [name, party])).toEqual([
    ['clerk_signature', 'clerk'],
  ]);
  expect(next.documents[1]?.places[0]?.field).toBe('clerk_signature');
});

test('documents are moved within their list', () => {
  const settings = settingsWith([fixedDocument(), fixedDocument({ id: 'document_2' })]);
  const ids = (next: typeof settings) => next.documents.map(({ id }) => id);
  expect(ids(withMoved(settings, 'document_2', -1))).toEqual([
    'wording',
    'document_2',
    'document_1',
  ]);
  expect(ids(withMoved(settings, 'wording', -1))).toEqual(ids(settings));
  expect(ids(withMoved(settings, 'document_2', 1))).toEqual(ids(settings));
  expect(shownDocument(settings, 'document_2').id).toBe('document_2');
  expect(shownDocument(settings, 'none').id).toBe('wording');
});

test('a datum that is new comes into the form with its place', () => {
  const document = fixedDocument();
  const next = withDataPlace(
    settingsWith([document]),
    document,
    { ...(settingsWith([]).fields[0] ?? { name: '' }), name: 'route' } as never,
    newDataPlace('route', onPage, size),
  );
  expect(next.fields.map(({ name }) => name)).toEqual(['instrument', 'route']);
  expect(next.documents[1]?.data).toHaveLength(1);
});
