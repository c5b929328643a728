import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';
import { cellReach, mmOf, pointsOf, type BoxSize } from './boxSize';
import { SizeHandle } from './SizeHandle';
import { caretBox, placeNear } from './caretMoves';
import { betweenWords, flatten, pieceAt } from './flatText';
import { placeOf } from './PagesView';
import { weaveOf } from './weave';
import { wordsOfRange, type Words } from './words';

type PlacedField = Schemas['PlacedField'];

/** What is known of a place where the template's fields are settled. */
export type Placeable = { key: string; called: string; size: BoxSize; kin: BoxSize[] };

/** How the places of signing fields are changed on the pages. */
export type Placing = {
  /** What a place belongs to; undefined for what can't be changed here. */
  of: (placed: PlacedField) => Placeable | undefined;
  onOpen: (key: string) => void;
  onMove: (placed: PlacedField, to: Words) => void;
  onSize: (placed: PlacedField, size: BoxSize) => void;
  /** What the pages draw, to which places are sized. */
  lines: Schemas['Line'][];
};

/** Below this a press is a click and no dragging, in pixels. */
const SLACK = 4;

/** The places of signing fields on a page: dragged to another place between words, sized at the corner of the one that is open. */
export function SigningPlaces({
  fields,
  page,
  size,
  actors,
  open,
  placing,
}: {
  fields: PlacedField[];
  page: number;
  size: Schemas['Size'];
  actors: { party: string }[];
  /** The key of the field whose card is open. */
  open: string | undefined;
  placing: Placing;
}) {
  return fields
    .filter((field) => field.page === page)
    .map((placed) => {
      const of = placing.of(placed);
      const ordinal = actors.findIndex((actor) => actor.party === placed.field.party) + 1;
      return (
        <SigningPlace
          key={placed.field.name}
          placed={placed}
          size={size}
          background={weaveOf(ordinal)}
          of={of}
          open={of !== undefined && of.key === open}
          placing={placing}
        />
      );
    });
}

type PlaceProps = {
  placed: PlacedField;
  size: Schemas['Size'];
  background: string;
  of: Placeable | undefined;
  open: boolean;
  placing: Placing;
};

function SigningPlace({ placed, size, background, of, open, placing }: PlaceProps) {
  const pressed = useRef<{ x: number; y: number; moved: boolean }>(undefined);
  const [drop, setDrop] = useState<Drop>();
  const [dragged, setDragged] = useState<BoxSize>();
  const end = () => {
    pressed.current = undefined;
    setDrop(undefined);
  };
  useEscape(drop !== undefined, end);
  const box = dragged ? sizedPlace(placed, dragged) : placed;
  return (
    <>
      <span
        aria-hidden="true"
        data-place={placed.field.name}
        className={`absolute touch-none border border-dashed text-[#1d2726]/25 ${of ? 'cursor-grab' : 'pointer-events-none'} ${open ? 'border-[#48617a] outline-2 outline-[#48617a]' : 'border-[#1d2726]/60'} ${drop ? 'opacity-40' : ''}`}
        style={{ ...placeOf(box, size), background }}
        onPointerDown={(event) => {
          if (!of || event.button !== 0) return;
          event.preventDefault();
          event.currentTarget.setPointerCapture(event.pointerId);
          pressed.current = { x: event.clientX, y: event.clientY, moved: false };
        }}
        onPointerMove={(event) => {
          const from = pressed.current;
          if (!from) return;
          from.moved ||= Math.hypot(event.clientX - from.x, event.clientY - from.y) > SLACK;
          if (from.moved) setDrop(dropAt(event.clientX, event.clientY) ?? { box: undefined });
        }}
        onPointerUp={(event) => {
          const from = pressed.current;
          if (!from || !of) return;
          const to = from.moved ? dropAt(event.clientX, event.clientY) : undefined;
          end();
          if (!from.moved) placing.onOpen(of.key);
          else if (to?.words) placing.onMove(placed, to.words);
        }}
        onPointerCancel={end}
      />
      {of && open && (
        <SizeHandle
          box={box}
          page={size}
          of={of}
          now={dragged ?? of.size}
          reach={() => [...reachOf(placed, size), ...cellReach(placed, placing.lines)]}
          onDrag={setDragged}
          onSize={(next) => placing.onSize(placed, next)}
        />
      )}
      {drop?.box && (
        <span
          aria-hidden="true"
          className="pointer-events-none fixed z-30 w-0.5 bg-[#1d2726]"
          style={drop.box}
        />
      )}
    </>
  );
}

/** A place with another size, from its upper left corner. */
function sizedPlace(placed: PlacedField, size: BoxSize) {
  const [width, height] = [pointsOf(size.widthMm), pointsOf(size.heightMm)];
  return { x: placed.x, y: placed.y + placed.height - height, width, height };
}

/** Widths with which a place would end where the page's words end. */
function reachOf(placed: PlacedField, size: Schemas['Size']): number[] {
  const layer = document.querySelector<HTMLElement>(`[data-words="${placed.page}"]`);
  if (!layer) return [];
  const box = layer.getBoundingClientRect();
  const rights = [...layer.querySelectorAll('span')].map(
    (word) => word.getBoundingClientRect().right,
  );
  const end = ((Math.max(...rights, box.left) - box.left) / box.width) * size.width;
  return end > placed.x ? [mmOf(end - placed.x)] : [];
}

type Drop = {
  words?: Words | undefined;
  box: { left: number; top: number; height: number } | undefined;
};

/** The place between words under a point of the window. */
function dropAt(x: number, y: number): Drop | undefined {
  const layer = document
    .elementsFromPoint(x, y)
    .map((element) => element.closest('section')?.querySelector<HTMLElement>('[data-words]'))
    .find((found) => found);
  if (!layer) return undefined;
  const flat = flatten(layer);
  const near = placeNear(flat, x, y);
  const place = near === undefined ? undefined : betweenWords(flat.text, near);
  const piece = place === undefined ? undefined : pieceAt(flat, place);
  if (place === undefined || !piece) return undefined;
  const range = document.createRange();
  range.setStart(piece.node, piece.offset);
  range.setEnd(piece.node, piece.offset);
  const caret = caretBox(flat, place);
  return {
    words: wordsOfRange(layer, range),
    box: caret && { left: caret.left, top: caret.top, height: caret.bottom - caret.top },
  };
}

function useEscape(active: boolean, leave: () => void) {
  const latest = useRef(leave);
  useEffect(() => {
    latest.current = leave;
  });
  useEffect(() => {
    if (!active) return undefined;
    const press = (event: KeyboardEvent) => {
      if (event.key === 'Escape') latest.current();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [active]);
}
