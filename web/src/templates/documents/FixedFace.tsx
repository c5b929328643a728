import { useMutation } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { useSay } from '../../messages/useSay';
import { ActorNote } from '../../page/ActorNote';
import { AnnotatedPages } from '../../page/AnnotatedPages';
import { FreePage, HereMark, type Here } from '../../page/FreePage';
import { placesOf, type Thing } from '../../page/thing';
import type { Sheet } from '../../page/useOpened';
import { calledIn } from '../../signingFields/kinds';
import { Trouble, Waiting } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import type { Opened } from '../bench/PageFace';
import { Route } from '../bench/Route';
import { ThingCard } from '../bench/ThingCard';
import { ArrangeBar } from './ArrangeBar';
import { DataPlaceCard } from './DataPlaceCard';
import { titleOf, withDocument, type Spot, type TemplateDocument } from './document';
import { HandPlaces, type Handling } from './HandPlaces';
import { HereBar } from './HereBar';
import { itemsOf, movedSpot, withItems, type Box, type Item } from './items';
import { PlaceCard } from './PlaceCard';
import { Unplaced } from './Unplaced';
import { useFixedPages } from './useFixedPages';

/** A fixed document with its margins: what is printed and completed on it is put there by hand. */
export function FixedFace({
  bench,
  document,
  opened,
  onOpened,
}: {
  bench: Bench;
  document: TemplateDocument;
  opened: Opened;
  onOpened: (opened: Opened) => void;
}) {
  const words = useSay();
  const { detail, settings, change } = bench;
  const { sizes, lines, ties, url, error } = useFixedPages(bench, document);
  const [here, setHere] = useState<Here>();
  const [more, setMore] = useState<string[]>([]);
  const handFixed = bench.fixed || document.kind !== 'FIXED';
  const items = useMemo(
    () =>
      sizes ? itemsOf(document, settings, sizes, ties, (field) => calledIn(words, field)) : [],
    [document, settings, sizes, ties, words],
  );
  const open = (key: string | undefined) => {
    setMore([]);
    onOpened({ key, party: key === undefined ? opened.party : undefined });
  };
  const set = (part: Partial<TemplateDocument>) =>
    change(withDocument(settings, document.id, part));
  const tie = useMutation({
    mutationFn: ({ box }: { item: Item; box: Box; from: Spot }) =>
      answer(
        api.POST('/api/v1/templates/{id}/documents/{document}/tie', {
          params: { path: { id: detail.id, document: document.id } },
          body: box,
        }),
      ),
    // it may have been moved on, or taken off, while its words were looked for
    onSuccess: ({ spot }, { item, from }) => {
      const now = document[item.at.list][item.at.index]?.spot;
      if (JSON.stringify(now) === JSON.stringify(from))
        set(withItems(document, [item], () => spot));
    },
  });
  const remove = (item: Item) => {
    const { list, index } = item.at;
    // a field that stands nowhere any more goes by itself, one that a tag has stays as it is settled
    set({ [list]: document[list].filter((_, i) => i !== index) });
    open(undefined);
  };
  const chosen = [...items.filter(({ key }) => key === opened.key).map(({ id }) => id), ...more];
  const handling: Handling = {
    items,
    ties,
    lines,
    parties: settings.parties,
    chosen,
    onChoose: (item, add) =>
      setMore((now) =>
        add && !now.includes(item.id) ? [...now, item.id] : now.filter((id) => id !== item.id),
      ),
    onOpen: (item) => open(item.key),
    onDrop: (item, box) => {
      // it goes with the mouse at once, and to its words when those are found
      const [dx, dy] = item.box ? [box.x - item.box.x, item.box.y - box.y] : [0, 0];
      const from = movedSpot(item.spot, mm(dx), mm(dy));
      set(withItems(document, [item], () => from));
      if (from.kind === 'BY_WORDS') tie.mutate({ item, box, from });
    },
    onNudge: (item, right, down) =>
      set(withItems(document, [item], ({ spot }) => movedSpot(spot, right, down))),
    onSize: (item, size) => {
      if (item.at.list === 'data') {
        set({
          data: document.data.map((one, i) => (i === item.at.index ? { ...one, size } : one)),
        });
      } else {
        const name = document.places[item.at.index]?.field;
        change({
          ...settings,
          signingFields: settings.signingFields.map((one) =>
            one.name === name ? { ...one, type: { ...one.type, size } } : one,
          ),
        });
      }
    },
    onRemove: remove,
  };
  const left = useCallback(
    () => items.flatMap((item) => (item.print ? [thingOf(item)] : [])),
    [items],
  );
  const right = useCallback(() => signingThings(items, bench), [items, bench]);
  const sheet = useMemo(
    (): Sheet | undefined => sizes && { url, pages: { sizes, fields: [] }, printed: [] },
    [url, sizes],
  );
  const things = [...left(), ...right()];
  const card = (key: string) => {
    const thing = things.find((one) => one.key === key);
    const count = thing ? placesOf(thing).length : 0;
    const own = items.filter((item) => item.key === key);
    const print = own[0]?.print;
    return print ? (
      <DataPlaceCard
        bench={bench}
        document={document}
        item={own[0] as Item}
        onRemove={() => own[0] && remove(own[0])}
      />
    ) : (
      <>
        <ThingCard
          bench={bench}
          thing={key}
          byHand
          walk={{ count, at: 0, onGo: () => undefined }}
          onOpen={open}
        />
        <PlaceCard
          bench={bench}
          document={document}
          items={own}
          pages={sizes?.length ?? 0}
          onRemove={remove}
        />
      </>
    );
  };
  if (error) return <Trouble error={error} />;
  if (!sheet) return <Waiting what={say('templates.making-the-pages')} />;
  return (
    <>
      <Trouble error={tie.error} />
      {more.length > 0 && (
        <ArrangeBar
          bench={bench}
          document={document}
          chosen={items.filter(({ id }) => chosen.includes(id))}
          onDone={() => setMore([])}
        />
      )}
      {!handFixed && <Unplaced bench={bench} document={document} items={items} onOpen={open} />}
      <p className="sr-only" role="status">
        {say('documents.pages-of', { title: titleOf(document, detail.name) })}
      </p>
      <AnnotatedPages
        sheet={sheet}
        left={left}
        right={right}
        actors={settings.parties.map((one) => ({ party: one.key, label: one.label }))}
        rightHead={{
          open: opened.party !== undefined,
          node: (
            <Route
              bench={bench}
              open={opened.party}
              onOpen={(party) => onOpened({ key: undefined, party })}
            />
          ),
        }}
        opening={{ key: opened.key, onOpen: open, card }}
        bare
        over={(page, size, width) => (
          <>
            {!handFixed && (
              <FreePage
                page={page}
                size={size}
                lines={lines}
                onHere={(next) => {
                  open(undefined);
                  setHere(next);
                }}
              />
            )}
            <HandPlaces
              page={page}
              size={size}
              width={width}
              handling={handling}
              fixed={handFixed}
            />
            {here?.box.page === page && (
              <HereMark here={here} size={size}>
                <HereBar
                  bench={bench}
                  document={document}
                  here={here}
                  open={items.filter(({ box }) => !box)}
                  onDone={(key) => {
                    setHere(undefined);
                    open(key);
                  }}
                  onLeave={() => setHere(undefined)}
                />
              </HereMark>
            )}
          </>
        )}
      />
    </>
  );
}

const mm = (points: number) => (points * 25.4) / 72;

function thingOf(item: Item): Thing {
  return { key: item.key, label: item.label, lines: item.box ? [item.box] : [], spans: false };
}

/** The places of one field are one thing. */
function signingThings(items: Item[], { settings }: Bench): Thing[] {
  const things = new Map<string, Thing>();
  for (const item of items) {
    if (item.party === undefined) continue;
    const known = things.get(item.key);
    if (known) {
      if (item.box) known.lines.push(item.box);
      continue;
    }
    const at = settings.parties.findIndex(({ key }) => key === item.party);
    const label = settings.parties[at]?.label ?? item.party;
    const called = item.label.slice(label.length + 2);
    things.set(item.key, {
      ...thingOf(item),
      lines: item.box ? [item.box] : [],
      body: <ActorNote ordinal={at + 1} label={label} called={called} />,
    });
  }
  return [...things.values()];
}
