import type { Schemas } from '../api/client';
import { pointsOf } from './boxSize';
import type { Line as Box } from './printed';

type Ruled = Schemas['Line'];

/** How near an edge has to come to another to be taken there, in points (1.2 mm). */
const NEAR = pointsOf(1.2);

/** A fine line that shows what something is level with. */
export type Guide = { x: number } | { y: number };

/** A box where it is let go, and what it is level with. */
export type Snapped = { box: Box; guides: Guide[] };

/**
 * A box that is being moved: its edges and middle go to those of other boxes on the page, and to lines that the page draws, where
 * they come near.
 */
export function snappedBox(box: Box, others: Box[], lines: Ruled[]): Snapped {
  const here = others.filter(({ page }) => page === box.page);
  const upright = lines.filter((line) => line.page === box.page && line.x1 === line.x2);
  const level = lines.filter((line) => line.page === box.page && line.y1 === line.y2);
  const across = nearest(
    [box.x, box.x + box.width / 2, box.x + box.width],
    [
      ...here.flatMap(({ x, width }) => [x, x + width / 2, x + width]),
      ...upright.map(({ x1 }) => x1),
    ],
  );
  const up = nearest(
    [box.y, box.y + box.height / 2, box.y + box.height],
    [
      ...here.flatMap(({ y, height }) => [y, y + height / 2, y + height]),
      ...level.map(({ y1 }) => y1),
    ],
  );
  return {
    box: { ...box, x: box.x + (across?.by ?? 0), y: box.y + (up?.by ?? 0) },
    guides: [...(across ? [{ x: across.at }] : []), ...(up ? [{ y: up.at }] : [])],
  };
}

function nearest(own: number[], others: number[]): { by: number; at: number } | undefined {
  let best: { by: number; at: number } | undefined;
  for (const mine of own)
    for (const at of others) {
      const by = at - mine;
      if (Math.abs(by) <= NEAR && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, at };
    }
  return best;
}

/** What is left free between a cell's sides and what is put into it, in points. */
const INSET = pointsOf(0.8);
const LARGEST = { width: pointsOf(180), height: pointsOf(60) };

/** The box or cell that the page draws around a point, with a little room left; nothing where there is none of a usual size. */
export function cellAt(page: number, x: number, y: number, lines: Ruled[]): Box | undefined {
  const here = lines.filter((line) => line.page === page);
  const beside = here.filter((line) => line.x1 === line.x2 && line.y1 <= y && line.y2 >= y);
  const along = here.filter((line) => line.y1 === line.y2 && line.x1 <= x && line.x2 >= x);
  const left = Math.max(...beside.filter(({ x1 }) => x1 <= x).map(({ x1 }) => x1));
  const right = Math.min(...beside.filter(({ x1 }) => x1 > x).map(({ x1 }) => x1));
  const low = Math.max(...along.filter(({ y1 }) => y1 <= y).map(({ y1 }) => y1));
  const top = Math.min(...along.filter(({ y1 }) => y1 > y).map(({ y1 }) => y1));
  const width = right - left - 2 * INSET;
  const height = top - low - 2 * INSET;
  const fits =
    width >= pointsOf(5) &&
    height >= pointsOf(4) &&
    width <= LARGEST.width &&
    height <= LARGEST.height;
  return fits ? { page, x: left + INSET, y: low + INSET, width, height } : undefined;
}

/** How boxes are brought in line. */
export type Arranging = 'left' | 'top' | 'across' | 'down';

/** Where boxes stand when they are brought in line with the first, or spread so that what is between them is even. */
export function arranged(boxes: Box[], how: Arranging): Box[] {
  const [first] = boxes;
  if (!first) return boxes;
  if (how === 'left') return boxes.map((box) => ({ ...box, x: first.x }));
  if (how === 'top')
    return boxes.map((box) => ({ ...box, y: first.y + first.height - box.height }));
  const sizeOf = (box: Box) => (how === 'across' ? box.width : box.height);
  const fromOf = (box: Box) => (how === 'across' ? box.x : box.y);
  const order = [...boxes].sort((a, b) => fromOf(a) - fromOf(b));
  const last = order.at(-1) ?? first;
  const begin = order[0] ?? first;
  const room = fromOf(last) + sizeOf(last) - fromOf(begin);
  const gap =
    (room - order.reduce((sum, box) => sum + sizeOf(box), 0)) / Math.max(1, order.length - 1);
  let at = fromOf(begin);
  const placed = new Map<Box, Box>();
  for (const box of order) {
    placed.set(box, how === 'across' ? { ...box, x: at } : { ...box, y: at });
    at += sizeOf(box) + gap;
  }
  return boxes.map((box) => placed.get(box) ?? box);
}
