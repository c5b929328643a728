import { lineEnd, lineStart, pieceAt, wordAfter, wordBefore, type FlatText } from './flatText';

type Box = { left: number; right: number; top: number; bottom: number };

/** Where the cursor would be drawn for a place, in the window's pixels. */
export function caretBox(flat: FlatText, place: number): Box | undefined {
  const at = pieceAt(flat, place);
  if (!at) return undefined;
  const range = document.createRange();
  range.setStart(at.node, at.offset);
  range.setEnd(at.node, at.offset);
  const box = range.getClientRects()[0] ?? at.node.parentElement?.getBoundingClientRect();
  if (!box) return undefined;
  const { left, top, bottom } = box;
  return { left, right: left, top, bottom };
}

/** The place a line up or down that is nearest to where the cursor was; undefined at the page's edge. */
function vertical(flat: FlatText, place: number, down: boolean): number | undefined {
  const from = caretBox(flat, place);
  if (!from) return undefined;
  const middle = (from.top + from.bottom) / 2;
  let best: { place: number; cost: number } | undefined;
  for (const { node, start } of flat.pieces) {
    const box = node.parentElement?.getBoundingClientRect();
    if (!box || !node.data.trim()) continue;
    const off = down ? box.top - middle : middle - box.bottom;
    if (off < 0) continue;
    const aside = Math.max(box.left - from.left, from.left - box.right, 0);
    const cost = off * 4 + aside;
    if (best && best.cost <= cost) continue;
    best = { place: start + nearest(node, from.left), cost };
  }
  return best?.place;
}

/** How far from words a point may be that still means a place between them, in pixels. */
const REACH = 60;

/** The place between letters that is nearest to a point of the window; undefined where no words are near. */
export function placeNear(flat: FlatText, x: number, y: number): number | undefined {
  let best: { place: number; cost: number } | undefined;
  for (const { node, start } of flat.pieces) {
    const box = node.parentElement?.getBoundingClientRect();
    if (!box || !node.data.trim()) continue;
    const off = Math.max(box.top - y, y - box.bottom, 0);
    const cost = off * 4 + Math.max(box.left - x, x - box.right, 0);
    if (off > REACH || (best && best.cost <= cost)) continue;
    best = { place: start + nearest(node, x), cost };
  }
  return best?.place;
}

function nearest(node: Text, x: number): number {
  const range = document.createRange();
  for (let i = 0; i < node.data.length; i++) {
    range.setStart(node, i);
    range.setEnd(node, i + 1);
    const { left, right } = range.getBoundingClientRect();
    if (x < (left + right) / 2) return i;
  }
  return node.data.length;
}

/** The start of a paragraph is a line with more room above it than lines of one have. */
function paragraph(flat: FlatText, place: number, down: boolean): number {
  const { text } = flat;
  const starts = [...text.matchAll(/^./gm)].map((line) => line.index);
  const tops = starts.map((start) => caretBox(flat, start + 1));
  const begins = starts.filter((_, i) => {
    const [above, here] = [tops[i - 1], tops[i]];
    if (!above || !here) return true;
    const room = here.top - above.bottom;
    return room > 0.45 * (here.bottom - here.top) || here.bottom < above.top;
  });
  if (!down) return begins.findLast((start) => start < place) ?? 0;
  const next = begins.find((start) => start > place);
  if (next === undefined) return text.trimEnd().length;
  // a paragraph that is chosen ends before the break, not in the next one
  const end = lineEnd(text, Math.max(0, next - 1));
  return end > place && end < next ? end : next;
}

/** What a key does to the cursor; undefined for keys that are none of its. A place outside of the text is another page. */
export function moved(
  flat: FlatText,
  place: number,
  { key, ctrlKey, metaKey, altKey }: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>,
): number | undefined {
  const { text } = flat;
  const far = ctrlKey || metaKey || altKey;
  switch (key) {
    case 'ArrowRight':
      return far && place < text.length ? wordAfter(text, place) : place + 1;
    case 'ArrowLeft':
      return far && place > 0 ? wordBefore(text, place) : place - 1;
    case 'ArrowDown':
      return far ? paragraph(flat, place, true) : (vertical(flat, place, true) ?? text.length + 1);
    case 'ArrowUp':
      return far ? paragraph(flat, place, false) : (vertical(flat, place, false) ?? -1);
    case 'Home':
      return far ? 0 : lineStart(text, place);
    case 'End':
      return far ? text.length : lineEnd(text, place);
    default:
      return undefined;
  }
}
