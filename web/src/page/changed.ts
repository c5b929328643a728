/** A stretch of a page's height that looks otherwise than before, in parts of the height. */
export type Band = { top: number; bottom: number };

/** Rows that are nearer to each other than this are one band; in parts of the height. */
const JOINED = 0.012;

/** Where two drawings of one page differ, from the top down. */
export function changedBands(
  before: Uint8ClampedArray,
  after: Uint8ClampedArray,
  width: number,
  height: number,
): Band[] {
  const bands: Band[] = [];
  if (before.length !== after.length) return bands;
  const old = new Uint32Array(before.buffer, before.byteOffset, before.length / 4);
  const now = new Uint32Array(after.buffer, after.byteOffset, after.length / 4);
  for (let y = 0; y < height; y++) {
    const start = y * width;
    let same = true;
    for (let i = start; same && i < start + width; i++) same = old[i] === now[i];
    if (same) continue;
    const last = bands.at(-1);
    if (last && y / height - last.bottom < JOINED) last.bottom = (y + 1) / height;
    else bands.push({ top: y / height, bottom: (y + 1) / height });
  }
  return bands;
}
