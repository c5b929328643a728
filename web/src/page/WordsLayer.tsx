import { useCallback, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { say } from '../messages/rooms';
import { caretBox, moved } from './caretMoves';
import { flatten, pieceAt, placeOfPoint, wholeWords, type FlatText } from './flatText';
import type { Document } from './viewer';
import { chosenWords, type Words } from './words';

/** Words chosen on a page, or the place between two, and where that is in parts of the page. */
export type Chosen = {
  words: Words;
  page: number;
  rects: { left: number; top: number; width: number; height: number }[];
};

type Props = {
  /** Whose words these are. */
  url: string;
  document: Document;
  number: number;
  width: number;
  onChosen: (chosen: Chosen | undefined) => void;
  /** A click that chooses no words, in parts of the page from its top left; whether something was there. */
  onPoint: (page: number, x: number, y: number) => boolean;
  /** What can be done with the words is asked for. */
  onAct: () => void;
};

/** The words of a page, unseen over its picture: chosen with the mouse, or with a cursor that keys move. */
export function WordsLayer({ url, document, number, width, onChosen, onPoint, onAct }: Props) {
  const layer = useRef<HTMLDivElement>(null);
  const flat = useRef<FlatText>({ text: '', pieces: [] });
  const place = useRef(0);
  const anchor = useRef(0);
  /** While the mouse is held down: done when it is released. */
  const held = useRef<Promise<void>>(undefined);
  /** Puts the cursor where it was when the words have been laid anew. */
  const again = useRef<(to: number, extend: boolean, quietly: boolean) => void>(() => undefined);
  const [caret, setCaret] = useState<{ left: number; top: number; height: number }>();
  useEffect(() => {
    const target = layer.current;
    if (!target) return;
    let ended = false;
    // words that somebody is just dragging over are not taken from under the pointer
    Promise.resolve(held.current)
      .then(() => import('./viewer'))
      .then(({ layWords }) => layWords(document, number, target, width, () => !ended))
      .then(() => {
        if (ended) return;
        flat.current = flatten(target);
        target.dataset.laid = url;
        if (target === window.document.activeElement) again.current(place.current, false, true);
      })
      .catch(() => undefined);
    return () => {
      ended = true;
    };
  }, [url, document, number, width]);

  /** Tells what is chosen, and draws the cursor or marks the words. */
  const tell = useCallback(
    (quietly: boolean) => {
      const target = layer.current;
      if (!target) return;
      const words = chosenWords(target, window.getSelection());
      const box = target.getBoundingClientRect();
      const selection = window.getSelection();
      const range = selection?.rangeCount ? selection.getRangeAt(0) : undefined;
      const parts = (rect: { left: number; top: number; right: number; bottom: number }) => ({
        left: (rect.left - box.left) / box.width,
        top: (rect.top - box.top) / box.height,
        width: (rect.right - rect.left) / box.width,
        height: (rect.bottom - rect.top) / box.height,
      });
      const at = caretBox(flat.current, place.current);
      const rects = range?.collapsed
        ? at
          ? [parts(at)]
          : []
        : [...(range?.getClientRects() ?? [])].filter((rect) => rect.width > 0).map(parts);
      setCaret(range?.collapsed && at ? parts(at) : undefined);
      if (!quietly) onChosen(words && rects.length ? { words, page: number, rects } : undefined);
    },
    [number, onChosen],
  );

  const go = useCallback(
    (to: number, extend: boolean, quietly = false) => {
      place.current = Math.max(0, Math.min(to, flat.current.text.length));
      if (!extend) anchor.current = place.current;
      const [from, until] = [
        pieceAt(flat.current, anchor.current),
        pieceAt(flat.current, place.current),
      ];
      if (!from || !until) return;
      window.getSelection()?.setBaseAndExtent(from.node, from.offset, until.node, until.offset);
      until.node.parentElement?.scrollIntoView({ block: 'nearest' });
      tell(quietly);
    },
    [tell],
  );

  useEffect(() => {
    again.current = go;
  }, [go]);

  function press(event: KeyboardEvent<HTMLDivElement>) {
    if (event.key === 'Enter') {
      event.preventDefault();
      tell(false);
      onAct();
      return;
    }
    if (event.key === 'Escape') {
      onChosen(undefined);
      return;
    }
    const to = moved(flat.current, place.current, event);
    if (to === undefined) return;
    event.preventDefault();
    const beyond = to < 0 ? -1 : to > flat.current.text.length ? 1 : 0;
    if (beyond && !event.shiftKey) {
      const next = layerOf(layer.current, number + beyond);
      if (next) {
        next.dataset.enter = beyond > 0 ? 'start' : 'end';
        next.focus();
        return;
      }
    }
    go(to, event.shiftKey);
  }

  return (
    <>
      <div
        ref={layer}
        role="textbox"
        aria-readonly="true"
        aria-multiline="true"
        aria-label={say('page.words-of-page', { page: number })}
        tabIndex={0}
        data-words={number}
        className="text-layer outline-offset-4"
        onKeyDown={press}
        onFocus={() => {
          const enter = layer.current?.dataset.enter;
          if (layer.current) delete layer.current.dataset.enter;
          // whoever points sets the cursor by pointing
          if (held.current) return;
          if (enter === 'end') go(flat.current.text.length, false, true);
          else if (enter === 'start') go(0, false, true);
          else go(place.current, false, true);
        }}
        onBlur={() => setCaret(undefined)}
        onMouseDown={() => {
          held.current = new Promise((released) => {
            const up = () => {
              held.current = undefined;
              released();
            };
            window.addEventListener('mouseup', up, { once: true });
          });
        }}
        onMouseUp={(event) => {
          const selection = window.getSelection();
          const box = layer.current?.getBoundingClientRect();
          if (!selection?.anchorNode || !selection.focusNode || !box) return;
          const x = (event.clientX - box.left) / box.width;
          const y = (event.clientY - box.top) / box.height;
          if (selection.isCollapsed && onPoint(number, x, y)) {
            setCaret(undefined);
            onChosen(undefined);
            return;
          }
          const from = placeOfPoint(flat.current, selection.anchorNode, selection.anchorOffset);
          const to = placeOfPoint(flat.current, selection.focusNode, selection.focusOffset);
          if (from >= 0) anchor.current = from;
          if (to >= 0) place.current = to;
          if (from >= 0 && to >= 0 && from !== to) {
            const [start, end] = wholeWords(flat.current.text, from, to);
            anchor.current = start;
            go(end, true);
          } else tell(false);
        }}
      />
      {caret && (
        <span
          aria-hidden="true"
          className="words-caret pointer-events-none absolute w-0.5 bg-[#1d2726]"
          style={{
            left: `${caret.left * 100}%`,
            top: `${caret.top * 100}%`,
            height: `${caret.height * 100}%`,
          }}
        />
      )}
    </>
  );
}

function layerOf(from: HTMLElement | null, page: number): HTMLElement | null {
  const column = from?.closest('[data-pages]');
  return column?.querySelector<HTMLElement>(`[data-words="${page}"]`) ?? null;
}

/** Puts the cursor back on a page's words. */
export function focusWords(page: number) {
  document.querySelector<HTMLElement>(`[data-words="${page}"]`)?.focus();
}
