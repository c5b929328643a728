import { useRef, useState, type PointerEvent, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { pointsOf } from './boxSize';
import type { Line as Box } from './printed';
import { cellAt } from './snapping';

type Size = Schemas['Size'];

/** Where something is to be put. @param drawn whether somebody has drawn how large it is to be */
export type Here = { box: Box; drawn: boolean };

/** The room of what nobody has drawn, in mm. */
const USUAL = { widthMm: 50, heightMm: 7 };

/** The free part of a page: a press puts something there, a drag says how large; a button does so by keyboard. */
export function FreePage({
  page,
  size,
  lines,
  onHere,
}: {
  page: number;
  size: Size;
  lines: Schemas['Line'][];
  onHere: (here: Here) => void;
}) {
  const from = useRef<{ x: number; y: number }>(undefined);
  const [drawn, setDrawn] = useState<Box>();
  const at = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    return {
      x: ((event.clientX - box.left) / box.width) * size.width,
      y: (1 - (event.clientY - box.top) / box.height) * size.height,
    };
  };
  const between = (to: { x: number; y: number }): Box | undefined => {
    const start = from.current;
    if (!start || Math.hypot(to.x - start.x, to.y - start.y) < 8) return undefined;
    return {
      page,
      x: Math.min(start.x, to.x),
      y: Math.min(start.y, to.y),
      width: Math.abs(to.x - start.x),
      height: Math.abs(to.y - start.y),
    };
  };
  const around = (x: number, y: number): Here => {
    const cell = cellAt(page, x, y, lines);
    if (cell) return { box: cell, drawn: true };
    const { widthMm, heightMm } = USUAL;
    const [width, height] = [pointsOf(widthMm), pointsOf(heightMm)];
    return {
      box: {
        page,
        x: Math.min(x, size.width - width),
        y: Math.max(0, y - height),
        width,
        height,
      },
      drawn: false,
    };
  };
  return (
    <>
      <div
        data-empty={page}
        className="absolute inset-0 cursor-crosshair touch-none"
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          from.current = at(event);
        }}
        onPointerMove={(event) => setDrawn(between(at(event)))}
        onPointerUp={(event) => {
          const to = at(event);
          const box = between(to);
          if (from.current) onHere(box ? { box, drawn: true } : around(to.x, to.y));
          from.current = undefined;
          setDrawn(undefined);
        }}
        onPointerCancel={() => {
          from.current = undefined;
          setDrawn(undefined);
        }}
      />
      {drawn && <Outline box={drawn} size={size} />}
      <button
        type="button"
        className="absolute top-1 right-1 z-10 min-h-6 rounded-sm border border-edge bg-sheet px-2 text-xs text-ink opacity-0 focus:opacity-100"
        onClick={() => onHere(around(size.width / 2, size.height / 2))}
      >
        {say('documents.put-something-on-page', { page })}
      </button>
    </>
  );
}

function Outline({ box, size }: { box: Box; size: Size }) {
  return (
    <span
      aria-hidden="true"
      className="pointer-events-none absolute border border-[#48617a] bg-[#48617a]/10"
      style={{
        left: `${(box.x / size.width) * 100}%`,
        top: `${(1 - (box.y + box.height) / size.height) * 100}%`,
        width: `${(box.width / size.width) * 100}%`,
        height: `${(box.height / size.height) * 100}%`,
      }}
    />
  );
}

/** What is marked on a page, with what can be done there beneath it. */
export function HereMark({
  here,
  size,
  children,
}: {
  here: Here;
  size: Size;
  children: ReactNode;
}) {
  const low = 1 - here.box.y / size.height;
  return (
    <>
      <Outline box={here.box} size={size} />
      <div
        className="absolute z-20 w-[26rem]"
        style={{
          left: `clamp(0px, ${(here.box.x / size.width) * 100}%, 100% - 26rem)`,
          top: `calc(${low * 100}% + 6px)`,
        }}
      >
        {children}
      </div>
    </>
  );
}
