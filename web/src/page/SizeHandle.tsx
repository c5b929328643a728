import { useRef, type PointerEvent } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { mmOf, sizedByKey, snapped, type BoxSize } from './boxSize';
import { placeOf } from './PagesView';

/** The corner by which a place is sized: dragged, or with the arrow keys. */
export function SizeHandle({
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
  /** What it is of. @param kin sizes of others of its kind */
  of: { called: string; size: BoxSize; kin: BoxSize[] };
  now: BoxSize;
  /** Widths in mm with which it would end where something else does. */
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
          event.stopPropagation();
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
