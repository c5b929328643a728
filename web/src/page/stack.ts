/** Notes at wished heights, moved down just so far that they don't overlap. */
export function stacked(notes: { wish: number; height: number }[], gap: number): number[] {
  const order = notes
    .map((_, i) => i)
    .sort((a, b) => (notes[a]?.wish ?? 0) - (notes[b]?.wish ?? 0));
  const tops: number[] = new Array<number>(notes.length).fill(0);
  let free = -Infinity;
  for (const i of order) {
    const note = notes[i];
    if (!note) continue;
    const top = Math.max(note.wish, free);
    tops[i] = top;
    free = top + note.height + gap;
  }
  return tops;
}
