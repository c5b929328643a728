import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { cellReach, mmOf, pointsOf, sizedByKey, snapped, type BoxSize } from './boxSize';
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

/** The corner by which a place is sized: dragged, or with the arrow keys. */
function SizeHandle({
  box,
  page,
  of,
  now,
  reach,
  onDrag,
  onSize,
}: {
  box: { x: number; y: number; width: number; height: number };
  page: Schemas['Size'];
  of: Placeable;
  now: BoxSize;
  reach: () => number[];
  onDrag: (size: BoxSize | undefined) => void;
  onSize: (size: BoxSize) => void;
}) {
  const from = useRef<{ x: number; y: number; perMm: number; reach: number[] }>(undefined);
  const at = placeOf(box, page);
  const sizeAt = (event: PointerEvent): BoxSize | undefined => {
    const start = from.current;
    if (!start) return undefined;
    return snapped(
      {
        widthMm: of.size.widthMm + (event.clientX - start.x) / start.perMm,
        heightMm: of.size.heightMm + (event.clientY - start.y) / start.perMm,
      },
      of.kin,
      start.reach,
    );
  };
  const end = () => {
    from.current = undefined;
    onDrag(undefined);
  };
  return (
    <>
      <button
        type="button"
        aria-label={say('page.size-of-place', {
          called: of.called,
          width: now.widthMm,
          height: now.heightMm,
        })}
        className="peer absolute z-10 flex size-[26px] -translate-x-1/2 -translate-y-1/2 cursor-nwse-resize touch-none items-center justify-center"
        style={{ left: `calc(${at.left} + ${at.width})`, top: `calc(${at.top} + ${at.height})` }}
        onKeyDown={(event) => {
          const next = sizedByKey(of.size, event);
          if (!next) return;
          event.preventDefault();
          onSize(next);
        }}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.preventDefault();
          event.currentTarget.focus();
          event.currentTarget.setPointerCapture(event.pointerId);
          const width = event.currentTarget.parentElement?.clientWidth ?? 0;
          const perMm = width / mmOf(page.width);
          from.current = { x: event.clientX, y: event.clientY, perMm, reach: reach() };
        }}
        onPointerMove={(event) => {
          const next = sizeAt(event);
          if (next) onDrag(next);
        }}
        onPointerUp={(event) => {
          const next = sizeAt(event);
          end();
          const changed =
            next && (next.widthMm !== of.size.widthMm || next.heightMm !== of.size.heightMm);
          if (changed) onSize(next);
        }}
        onPointerCancel={end}
      >
        <span aria-hidden="true" className="h-3 w-3 border border-[#1d2726] bg-[#fff]" />
      </button>
      <span
        aria-hidden="true"
        className="pointer-events-none absolute z-10 mt-2 hidden peer-focus:block bg-sheet px-1 text-xs text-ink shadow-page"
        style={{ left: at.left, top: `calc(${at.top} + ${at.height})` }}
      >
        {say('page.millimetres', { width: now.widthMm, height: now.heightMm })}
      </span>
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
