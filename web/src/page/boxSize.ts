import type { Schemas } from '../api/client';

export type BoxSize = Schemas['BoxSize'];

const STEP = 0.5;
/** How near another measure has to be to be taken, in mm. */
const NEAR = 1.5;

/** What the server takes: what fits a page and can be read. */
const LIMITS = { widthMm: [5, 180], heightMm: [4, 80] } as const;

export const mmOf = (points: number) => (points * 25.4) / 72;
export const pointsOf = (mm: number) => (mm * 72) / 25.4;

/**
 * A size as it is dragged: that of others of its kind, or as far as a line of words goes, where it comes near; else in half
 * millimetres.
 *
 * @param kin sizes of others of its kind
 * @param reach widths in mm with which it would end where something else ends
 */
export function snapped(size: BoxSize, kin: BoxSize[], reach: number[]): BoxSize {
  return {
    widthMm: side(size.widthMm, [...kin.map((one) => one.widthMm), ...reach], LIMITS.widthMm),
    heightMm: side(
      size.heightMm,
      kin.map((one) => one.heightMm),
      LIMITS.heightMm,
    ),
  };
}

function side(mm: number, others: number[], [least, most]: readonly [number, number]): number {
  const near = others
    .filter((other) => Math.abs(other - mm) <= NEAR && other >= least && other <= most)
    .sort((a, b) => Math.abs(a - mm) - Math.abs(b - mm))[0];
  const taken = near ?? Math.round(mm / STEP) * STEP;
  return Math.round(Math.max(least, Math.min(most, taken)) * 10) / 10;
}

const steps: Record<string, [width: number, height: number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** A size as a key changes it: by a millimetre, with Shift by five; undefined for other keys. */
export function sizedByKey(
  size: BoxSize,
  { key, shiftKey }: Pick<KeyboardEvent, 'key' | 'shiftKey'>,
): BoxSize | undefined {
  const step = steps[key];
  if (!step) return undefined;
  const by = shiftKey ? 5 : 1;
  return snapped(
    { widthMm: size.widthMm + step[0] * by, heightMm: size.heightMm + step[1] * by },
    [],
    [],
  );
}

type Box = { page: number; x: number; y: number; width: number; height: number };
type Line = Schemas['Line'];

/** The widest room between a cell's side and what is in it that is kept on the other side too, in points. */
const WIDEST_MARGIN = 20;

/**
 * The width in mm with which a place would end where its cell does, with as much room as on its other side; none where no
 * upright lines stand on both sides of it.
 */
export function cellReach(place: Box, lines: Line[]): number[] {
  const middle = place.y + place.height / 2;
  const beside = lines
    .filter(
      (line) =>
        line.page === place.page && line.x1 === line.x2 && line.y1 <= middle && line.y2 >= middle,
    )
    .map((line) => line.x1);
  const left = Math.max(...beside.filter((x) => x <= place.x));
  const right = Math.min(...beside.filter((x) => x > place.x + 1));
  const margin = place.x - left;
  if (!Number.isFinite(left) || !Number.isFinite(right) || margin > WIDEST_MARGIN) return [];
  const width = right - margin - place.x;
  return width > 0 ? [mmOf(width)] : [];
}
