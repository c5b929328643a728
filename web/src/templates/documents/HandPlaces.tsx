import { PrintedName } from './PrintedName';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { mmOf, pointsOf, type BoxSize } from '../../page/boxSize';
import { SizeHandle } from '../../page/SizeHandle';
import { placeOf } from '../../page/PagesView';
import { weaveOf } from '../../page/weave';
import type { Box, Item, Ties } from './items';
import { snappedBox, type Guide, type Snapped } from '../../page/snapping';

type Size = Schemas['Size'];

/** How things on a fixed document are chosen, moved and sized. */
export type Handling = {
  items: Item[];
  /** Where the words stand that things hang on. */
  ties: Ties;
  lines: Schemas['Line'][];
  parties: { key: string }[];
  /** Ids of those that are chosen together. */
  chosen: string[];
  onChoose: (item: Item, more: boolean) => void;
  onOpen: (item: Item) => void;
  /** Let go somewhere else on the page. */
  onDrop: (item: Item, box: Box) => void;
  /** Moved by keys, in millimetres to the right and down. */
  onNudge: (item: Item, right: number, down: number) => void;
  onSize: (item: Item, size: BoxSize) => void;
  onRemove: (item: Item) => void;
};

/** Below this a press is a click and no dragging, in pixels. */
const SLACK = 4;

/** What stands on one page of a fixed document: moved by mouse and by keyboard, sized at the corner of the one that is chosen. */
export function HandPlaces({
  page,
  size,
  width,
  handling,
  fixed,
}: {
  page: number;
  size: Size;
  /** Of the page, in CSS pixels. */
  width: number;
  handling: Handling;
  fixed: boolean;
}) {
  const [guides, setGuides] = useState<Guide[]>([]);
  const tied = handling.items.filter(
    ({ id, spot, box }) =>
      box?.page === page && spot.kind === 'BY_WORDS' && handling.chosen.includes(id),
  );
  return (
    <>
      {tied.map((item) => (
        <Tie key={item.id} item={item} size={size} ties={handling.ties} />
      ))}
      {handling.items
        .filter((item) => item.box?.page === page)
        .map((item) => (
          <HandPlace
            key={item.id}
            item={item}
            size={size}
            width={width}
            handling={handling}
            fixed={fixed}
            onGuides={setGuides}
          />
        ))}
      {guides.map((guide, i) => (
        <span
          key={i}
          aria-hidden="true"
          className="pointer-events-none absolute z-10 border-[#9a4f22]"
          style={
            'x' in guide
              ? {
                  left: `${(guide.x / size.width) * 100}%`,
                  top: 0,
                  height: '100%',
                  borderLeftWidth: 1,
                }
              : {
                  top: `${(1 - guide.y / size.height) * 100}%`,
                  left: 0,
                  width: '100%',
                  borderTopWidth: 1,
                }
          }
        />
      ))}
    </>
  );
}

/** The words that a place hangs on, with a line from one to the other. */
function Tie({ item, size, ties }: { item: Item; size: Size; ties: Ties }) {
  const [words] = item.spot.kind === 'BY_WORDS' ? (ties.get(item.spot.words) ?? []) : [];
  const { box } = item;
  if (!words || !box) return null;
  const middle = (of: Box) => ({
    x: of.x + of.width / 2,
    y: size.height - of.y - of.height / 2,
  });
  const [from, to] = [middle(words), middle(box)];
  return (
    <>
      <span
        aria-hidden="true"
        className="pointer-events-none absolute border-b-2 border-[#9a4f22] bg-[#9a4f22]/15"
        // beneath the letters that go below their line
        style={placeOf({ ...words, y: words.y - 3, height: words.height + 3 }, size)}
      />
      <svg
        aria-hidden="true"
        className="pointer-events-none absolute inset-0 h-full w-full"
        viewBox={`0 0 ${size.width} ${size.height}`}
        preserveAspectRatio="none"
      >
        <line
          x1={from.x}
          y1={from.y}
          x2={to.x}
          y2={to.y}
          stroke="#9a4f22"
          strokeWidth={0.7}
          strokeDasharray="3 2"
        />
      </svg>
    </>
  );
}

const steps: Record<string, [right: number, down: number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

function HandPlace({
  item,
  size,
  width,
  handling,
  fixed,
  onGuides,
}: {
  item: Item;
  size: Size;
  width: number;
  handling: Handling;
  fixed: boolean;
  onGuides: (guides: Guide[]) => void;
}) {
  const pressed = useRef<{ x: number; y: number; perPoint: number; moved: boolean }>(undefined);
  const [dragged, setDragged] = useState<Snapped>();
  const [sizing, setSizing] = useState<BoxSize>();
  const own = item.box;
  if (!own) return null;
  const sized = sizing ? withSize(own, sizing) : own;
  const box = dragged?.box ?? sized;
  const chosen = handling.chosen.includes(item.id);
  const end = () => {
    pressed.current = undefined;
    setDragged(undefined);
    onGuides([]);
  };
  const others = handling.items.flatMap((one) => (one.id !== item.id && one.box ? [one.box] : []));
  const movedTo = (event: PointerEvent): Snapped | undefined => {
    const from = pressed.current;
    if (!from) return undefined;
    const moved = {
      ...own,
      x: clamp(own.x + (event.clientX - from.x) / from.perPoint, size.width - own.width),
      y: clamp(own.y - (event.clientY - from.y) / from.perPoint, size.height - own.height),
    };
    // held with Alt it goes where it is put
    return event.altKey ? { box: moved, guides: [] } : snappedBox(moved, others, handling.lines);
  };
  const keyed = (event: KeyboardEvent) => {
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      handling.onOpen(item);
      return;
    }
    if (fixed) return;
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      handling.onRemove(item);
      return;
    }
    const step = steps[event.key];
    if (!step) return;
    event.preventDefault();
    const by = event.shiftKey ? 5 : event.altKey ? 0.1 : 1;
    handling.onNudge(item, step[0] * by, step[1] * by);
  };
  const ordinal = handling.parties.findIndex(({ key }) => key === item.party) + 1;
  return (
    <>
      <button
        type="button"
        aria-label={say('documents.place-called', {
          label: item.label,
          left: tenth(mmOf(own.x)),
          top: tenth(mmOf(size.height - own.y - own.height)),
        })}
        aria-pressed={chosen}
        data-item={item.id}
        className={`absolute touch-none overflow-hidden border border-dashed text-left text-[#1d2726] ${fixed ? '' : 'cursor-grab'} ${chosen ? 'z-10 border-[#48617a] outline-2 outline-[#48617a]' : item.print ? 'border-[#48617a]' : 'border-[#1d2726]/60'} ${item.print ? 'bg-[#48617a]/10' : 'text-[#1d2726]/25'}`}
        style={{
          ...placeOf(box, size),
          ...(item.party !== undefined && { background: weaveOf(ordinal) }),
        }}
        onKeyDown={keyed}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.stopPropagation();
          if (fixed) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          pressed.current = {
            x: event.clientX,
            y: event.clientY,
            perPoint: width / size.width,
            moved: false,
          };
        }}
        onPointerMove={(event) => {
          const from = pressed.current;
          if (!from) return;
          from.moved ||= Math.hypot(event.clientX - from.x, event.clientY - from.y) > SLACK;
          if (!from.moved) return;
          const next = movedTo(event);
          setDragged(next);
          onGuides(next?.guides ?? []);
        }}
        onPointerUp={(event) => {
          const from = pressed.current;
          const to = from?.moved ? movedTo(event) : undefined;
          end();
          if (to) handling.onDrop(item, to.box);
          else if (event.shiftKey) handling.onChoose(item, true);
          else handling.onOpen(item);
        }}
        onPointerCancel={end}
      >
        {item.print && (
          <PrintedName print={item.print} label={item.label} perPoint={width / size.width} />
        )}
      </button>
      {chosen && !fixed && handling.chosen.length === 1 && !dragged && (
        <SizeHandle
          box={box}
          page={size}
          of={{
            called: item.label,
            size: item.size,
            kin: handling.items.flatMap((one) =>
              one.id !== item.id && (one.party === undefined) === (item.party === undefined)
                ? [one.size]
                : [],
            ),
          }}
          now={sizing ?? item.size}
          reach={() =>
            handling.lines
              .filter((line) => line.page === box.page && line.x1 === line.x2 && line.x1 > box.x)
              .map((line) => mmOf(line.x1 - box.x))
          }
          onDrag={setSizing}
          onSize={(next) => handling.onSize(item, next)}
        />
      )}
    </>
  );
}

/** A box with another size, from its upper left corner. */
export function withSize(box: Box, size: BoxSize): Box {
  const [width, height] = [pointsOf(size.widthMm), pointsOf(size.heightMm)];
  return { ...box, y: box.y + box.height - height, width, height };
}

const clamp = (at: number, most: number) => Math.max(0, Math.min(most, at));
const tenth = (mm: number) => Math.round(mm * 10) / 10;
