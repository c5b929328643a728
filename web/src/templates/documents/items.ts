import type { Schemas } from '../../api/client';
import { mmOf, pointsOf, type BoxSize } from '../../page/boxSize';
import type { Line } from '../../page/printed';
import { valueKey } from '../../page/printed';
import { allFields } from '../bench/bench';
import { say } from '../../messages/rooms';
import { keyOfSubject } from '../bench/things';
import type { Settings } from '../useTemplate';
import type { DataPlace, Spot, TemplateDocument } from './document';

type Size = Schemas['Size'];

/** A rectangle on a page, in PDF points from its lower left corner. */
export type Box = Line;

/** Where the words stand that things hang on. */
export type Ties = Map<string, Box[]>;

/** Something that stands on a fixed document: one place of a signing field, or a datum that is printed there. */
export type Item = {
  id: string;
  /** The key of its card. */
  key: string;
  at: { list: 'places' | 'data'; index: number };
  label: string;
  /** Whose it is; none for a datum. */
  party?: string;
  print?: DataPlace;
  spot: Spot;
  size: BoxSize;
  /** Where it stands; none while it has no place. */
  box: Box | undefined;
};

/** Where something of a size stands; nothing where its spot is none. */
export function boxOf(spot: Spot, size: BoxSize, sizes: Size[], ties: Ties): Box | undefined {
  const [width, height] = [pointsOf(size.widthMm), pointsOf(size.heightMm)];
  if (spot.kind === 'ON_PAGE') {
    const page = sizes[spot.page - 1];
    return (
      page && {
        page: spot.page,
        x: pointsOf(spot.left),
        y: page.height - pointsOf(spot.top) - height,
        width,
        height,
      }
    );
  }
  if (spot.kind === 'BY_WORDS') {
    const places = ties.get(spot.words) ?? [];
    const [at] = places;
    return places.length === 1 && at
      ? {
          page: at.page,
          x: at.x + pointsOf(spot.right),
          y: at.y - pointsOf(spot.down) - height,
          width,
          height,
        }
      : undefined;
  }
  return undefined;
}

/** The spot of a box on its page, without any tie. */
export function spotOnPage(box: Box, sizes: Size[]): Spot {
  const page = sizes[box.page - 1];
  return {
    kind: 'ON_PAGE',
    page: box.page,
    left: hundredth(mmOf(box.x)),
    top: hundredth(mmOf((page?.height ?? 0) - box.y - box.height)),
  };
}

/** A spot moved by millimetres to the right and down; what hangs on words goes on hanging there. */
export function movedSpot(spot: Spot, right: number, down: number): Spot {
  switch (spot.kind) {
    case 'ON_PAGE':
      return {
        ...spot,
        left: hundredth(spot.left + right),
        top: hundredth(spot.top + down),
      };
    case 'BY_WORDS':
      return {
        ...spot,
        right: hundredth(spot.right + right),
        down: hundredth(spot.down + down),
      };
    default:
      return spot;
  }
}

const hundredth = (mm: number) => Math.round(mm * 100) / 100;

export const printKey = (index: number) => `print.${index}`;

/** Everything that stands on a document. @param called what a signing field is called beside its party */
export function itemsOf(
  document: TemplateDocument,
  settings: Settings,
  sizes: Size[],
  ties: Ties,
  called: (field: Schemas['SigningField']) => string,
): Item[] {
  const signing = document.places.flatMap((place, index): Item[] => {
    const field = settings.signingFields.find((one) => one.name === place.field);
    if (!field) return [];
    const party = settings.parties.find((one) => one.key === field.party)?.label ?? field.party;
    return [
      {
        id: `places-${index}`,
        key: keyOfSubject({ kind: 'signing', name: field.name }),
        at: { list: 'places', index },
        label: `${party}, ${called(field)}`,
        party: field.party,
        spot: place.spot,
        size: field.type.size,
        box: boxOf(place.spot, field.type.size, sizes, ties),
      },
    ];
  });
  const data = document.data.map((print, index): Item => ({
    id: `data-${index}`,
    key: printKey(index),
    at: { list: 'data', index },
    label: print.marks
      ? say('documents.datum-for-answer', {
          label: labelOfTag(settings, print.tag),
          answer: print.marks,
        })
      : labelOfTag(settings, print.tag),
    print,
    spot: print.spot,
    size: print.size,
    box: boxOf(print.spot, print.size, sizes, ties),
  }));
  return [...signing, ...data];
}

/** What a datum is called that a place prints. */
export function labelOfTag(settings: Settings, tag: string): string {
  const [name = ''] = tag.split('.');
  const field = allFields(settings.fields).find(
    ({ field: one, lists }) => valueKey(one.name, lists.at(-1)?.name ?? '') === name,
  );
  const rule = settings.rules.find((one) => one.name === name);
  return field?.field.label ?? rule?.label ?? name.replaceAll('_', ' ');
}

/** The document's lists with some items changed. */
export function withItems(
  document: TemplateDocument,
  items: Item[],
  change: (item: Item) => Spot,
): Pick<TemplateDocument, 'places' | 'data'> {
  const spotOf = (list: 'places' | 'data', index: number) =>
    items.find(({ at }) => at.list === list && at.index === index);
  return {
    places: document.places.map((place, index) => {
      const item = spotOf('places', index);
      return item ? { ...place, spot: change(item) } : place;
    }),
    data: document.data.map((place, index) => {
      const item = spotOf('data', index);
      return item ? { ...place, spot: change(item) } : place;
    }),
  };
}
