import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { say } from '../messages/rooms';
import { stacked } from './stack';
import { heightOf, placesOf, type Column, type Thing } from './thing';
import { useMeasured } from './near';

/**
 * What stands above the notes; they begin below it. While something of it is open it stands over notes, and none of them moves.
 */
export type MarginHead = { node: ReactNode; open: boolean };

/** Room for a note of one line and of two, in CSS pixels. */
const ONE_LINE = 24;
const TWO_LINES = 38;
const GAP = 0;

/** A letter's width as it is on the average, and what a note has beside its words. */
const LETTER = 6.8;
const BESIDE = { left: 20, right: 48 };

type Props = {
  side: 'left' | 'right';
  /** What the notes of a page are, by its number. */
  label: (page: number) => string;
  things: Thing[];
  column: Column;
  head?: MarginHead | undefined;
  /** The key of the thing whose card is open. */
  open?: string | undefined;
  onOpen?: ((key: string | undefined, place?: number) => void) | undefined;
  /** Everything that there is to settle about a thing; without it notes don't open. */
  card?: ((key: string) => ReactNode) | undefined;
};

/** The notes of one margin, each at the height of its words and joined to them by a hairline. */
export function Margin({ side, label, things, column, head, open, onOpen, card }: Props) {
  const { ref: headBox, height: headHeight } = useMeasured();
  const [resting, setResting] = useState(0);
  if (head && !head.open && headHeight && headHeight !== resting) setResting(headHeight);
  const floor = head ? resting || headHeight : 0;
  const { ref: cardBox, height: cardHeight } = useMeasured();
  const [stop, setStop] = useState('');
  const { ref: box, width } = useMeasured();
  const noted = things
    .map((thing) => ({ thing, places: placesOf(thing) }))
    .filter(({ places }) => places.length > 0)
    .map(({ thing, places }) => ({
      thing,
      at: places.map((line) => heightOf(column, line)),
      page: places[0]?.page ?? 1,
    }))
    .sort((a, b) => (a.at[0] ?? 0) - (b.at[0] ?? 0));
  const opened = card ? noted.findIndex(({ thing }) => thing.key === open) : -1;
  const heights = noted.map(({ thing }) =>
    width && thing.label.length * LETTER > width - BESIDE[side] ? TWO_LINES : ONE_LINE,
  );
  const heightAt = (i: number) => heights[i] ?? ONE_LINE;
  const tops = stacked(
    noted.map(({ at }, i) => ({ wish: (at[0] ?? 0) - heightAt(i) / 2, height: heightAt(i) })),
    GAP,
    floor ? floor + 8 : 0,
  );
  // a card stands over the notes beneath its own: none of them moves, and all are there again when it closes
  const cardTop = (tops[opened] ?? 0) + heightAt(opened);
  const covered = (i: number) => {
    const top = tops[i] ?? 0;
    if (head?.open && top < headHeight) return true;
    return opened >= 0 && i !== opened && top + heightAt(i) > cardTop && top < cardTop + cardHeight;
  };
  const end = Math.max(
    headHeight,
    ...tops.map((top, i) => top + heightAt(i)),
    opened < 0 ? 0 : cardTop + cardHeight,
  );
  const current = noted.some(({ thing }) => thing.key === stop) ? stop : noted[0]?.thing.key;
  const pages = [...new Set(noted.map(({ page }) => page))];
  return (
    <div
      ref={box}
      className={`relative ${side === 'left' ? 'mr-7' : 'ml-7'}`}
      style={{ minHeight: end }}
    >
      {head && (
        <div ref={headBox} className={`pb-1 ${head.open ? 'relative z-20' : ''}`}>
          {head.node}
        </div>
      )}
      <Hairlines
        side={side}
        noted={noted}
        tops={tops}
        heights={heights}
        opened={opened}
        covered={covered}
        height={column.height}
      />
      {noted.flatMap(({ thing, at }) =>
        at.slice(1).map((top, i) => (
          <button
            key={`${thing.key} ${i}`}
            type="button"
            tabIndex={-1}
            aria-hidden="true"
            title={thing.label}
            className={`absolute h-3 w-4 border-edge hover:border-ink ${side === 'left' ? '-right-7' : '-left-7'}`}
            style={{ top: top - 6 }}
            onClick={() => onOpen?.(thing.key, i + 1)}
          >
            <span
              className={`absolute top-1.5 h-px w-2 bg-edge ${side === 'left' ? 'right-0' : 'left-0'}`}
            />
          </button>
        )),
      )}
      {pages.map((page) => (
        <ul key={page} aria-label={label(page)} onKeyDown={walk}>
          {noted.map(({ thing, page: at }, i) =>
            at !== page ? null : (
              <li
                key={thing.key}
                data-note={thing.key}
                className={`absolute w-full ${i === opened ? 'z-10' : covered(i) ? 'invisible' : ''}`}
                style={{ top: tops[i] }}
              >
                <NoteFace
                  side={side}
                  thing={thing}
                  height={heightAt(i)}
                  open={i === opened}
                  tabbable={thing.key === current}
                  onFocus={() => setStop(thing.key)}
                  onOpen={
                    card && onOpen ? () => onOpen(i === opened ? undefined : thing.key) : undefined
                  }
                />
                {i === opened && card && (
                  <div
                    ref={cardBox}
                    className="pb-1"
                    onKeyDown={(event) => {
                      if (event.key !== 'Escape' || event.defaultPrevented) return;
                      event.stopPropagation();
                      onOpen?.(undefined);
                      focusNote(event.currentTarget.closest('li'));
                    }}
                  >
                    <section
                      aria-label={thing.label}
                      className="border border-edge bg-sheet p-3 shadow-page"
                    >
                      {card(thing.key)}
                    </section>
                  </div>
                )}
              </li>
            ),
          )}
        </ul>
      ))}
    </div>
  );
}

function NoteFace({
  side,
  thing,
  height,
  open,
  tabbable,
  onFocus,
  onOpen,
}: {
  side: 'left' | 'right';
  thing: Thing;
  height: number;
  open: boolean;
  tabbable: boolean;
  onFocus: () => void;
  onOpen?: (() => void) | undefined;
}) {
  const look = `flex w-full items-center gap-2 overflow-hidden px-2 leading-tight ${side === 'left' ? 'flex-row-reverse border-r-2 text-right' : 'border-l-2 text-left'} ${open ? 'border-slate font-semibold' : 'border-rule'}`;
  const words = thing.body ?? (
    <span className={`line-clamp-2 min-w-0 ${open ? '' : 'text-soft'}`} title={thing.label}>
      {thing.label}
    </span>
  );
  if (!onOpen) {
    return (
      <div
        tabIndex={tabbable ? 0 : -1}
        data-face=""
        className={look}
        style={{ height }}
        onFocus={onFocus}
      >
        {words}
      </div>
    );
  }
  return (
    <button
      type="button"
      data-face=""
      aria-expanded={open}
      aria-label={thing.label}
      tabIndex={tabbable ? 0 : -1}
      className={`${look} hover:border-slate hover:text-ink`}
      style={{ height }}
      onFocus={onFocus}
      onClick={onOpen}
    >
      {words}
    </button>
  );
}

/** From each note to its first place; a note that had to make room is still joined to its words. */
function Hairlines({
  side,
  noted,
  tops,
  heights,
  opened,
  covered,
  height,
}: {
  side: 'left' | 'right';
  noted: { at: number[] }[];
  tops: number[];
  heights: number[];
  opened: number;
  covered: (at: number) => boolean;
  height: number;
}) {
  const [from, to] = side === 'left' ? [0, 28] : [28, 0];
  return (
    <svg
      aria-hidden="true"
      className={`pointer-events-none absolute top-0 w-7 overflow-visible text-edge/70 ${side === 'left' ? '-right-7' : '-left-7'}`}
      width={28}
      height={height}
    >
      {noted.map(({ at }, i) => {
        if (covered(i)) return null;
        const note = (tops[i] ?? 0) + (heights[i] ?? ONE_LINE) / 2;
        const place = at[0] ?? 0;
        const bend = side === 'left' ? 16 : 12;
        return (
          <path
            key={i}
            d={`M${from} ${note}L${bend} ${place}H${to}`}
            fill="none"
            stroke={i === opened ? 'var(--color-slate)' : 'currentColor'}
            strokeWidth={i === opened ? 1.5 : 0.75}
          />
        );
      })}
    </svg>
  );
}

const steps: Record<string, (at: number, count: number) => number> = {
  ArrowDown: (at, count) => Math.min(at + 1, count - 1),
  ArrowUp: (at) => Math.max(at - 1, 0),
  Home: () => 0,
  End: (_, count) => count - 1,
};

/** The notes of all pages are walked as one row. */
function walk(event: KeyboardEvent<HTMLElement>) {
  const face = event.target;
  const step = steps[event.key];
  if (!step || !(face instanceof HTMLElement) || face.dataset.face === undefined) return;
  const margin = event.currentTarget.parentElement;
  const faces = [
    ...(margin?.querySelectorAll<HTMLElement>('li:not(.invisible) > [data-face]') ?? []),
  ];
  event.preventDefault();
  faces[step(faces.indexOf(face), faces.length)]?.focus();
}

function focusNote(note: Element | null) {
  note?.querySelector<HTMLElement>('[data-face]')?.focus();
}

export const dataOnPage = (page: number) => say('page.data-on-page', { page });
export const whoActsOnPage = (page: number) => say('page.who-acts-on-page', { page });
