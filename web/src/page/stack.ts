/** Notes that touch, as one block. */
type Block = { notes: number[]; height: number; top: number };

/**
 * Where notes go that wish for certain heights: each as near to its own as the others let it. Notes that would overlap become a
 * block that stands evenly about their wishes, so that none drifts away (least squares with an order, by pooling neighbours that
 * violate it: Ayer et al., Annals of Mathematical Statistics 26, 1955).
 *
 * @returns the top of each note, none above the margin's own
 */
export function stacked(notes: { wish: number; height: number }[], gap: number): number[] {
  const blocks: Block[] = [];
  for (const i of order(notes)) {
    const note = notes[i];
    if (!note) continue;
    blocks.push({ notes: [i], height: note.height + gap, top: Math.max(0, note.wish) });
    for (;;) {
      const last = blocks.at(-1);
      const before = blocks.at(-2);
      if (!last || !before || before.top + before.height <= last.top) break;
      blocks.splice(-2, 2, together(before, last, notes, gap));
    }
  }
  const tops: number[] = new Array<number>(notes.length).fill(0);
  for (const block of blocks) {
    let top = block.top;
    for (const i of block.notes) {
      tops[i] = top;
      top += (notes[i]?.height ?? 0) + gap;
    }
  }
  return tops;
}

const order = (notes: { wish: number }[]) =>
  notes.map((_, i) => i).sort((a, b) => (notes[a]?.wish ?? 0) - (notes[b]?.wish ?? 0));

function together(
  one: Block,
  other: Block,
  notes: { wish: number; height: number }[],
  gap: number,
): Block {
  const all = [...one.notes, ...other.notes];
  let above = 0;
  let wished = 0;
  for (const i of all) {
    const note = notes[i];
    wished += (note?.wish ?? 0) - above;
    above += (note?.height ?? 0) + gap;
  }
  return { notes: all, height: above, top: Math.max(0, wished / all.length) };
}
