/**
 * Where notes go that wish for certain heights: each as near to its own as the others let it (least squares with an order, by
 * pooling neighbours that violate it: Ayer et al., Annals of Mathematical Statistics 26, 1955; bounds cut the result off).
 *
 * @param floor no note stands above it
 * @param ceiling the last one ends above it, where that is possible
 * @returns the top of each note
 */
export function stacked(
  notes: { wish: number; height: number }[],
  gap: number,
  floor = 0,
  ceiling = Infinity,
): number[] {
  const order = notes
    .map((_, i) => i)
    .sort((a, b) => (notes[a]?.wish ?? 0) - (notes[b]?.wish ?? 0));
  // wishes as they would be if no note had a height: then they only have to be in order
  const pools: { sum: number; size: number }[] = [];
  const above: number[] = [];
  let total = 0;
  for (const i of order) {
    pools.push({ sum: (notes[i]?.wish ?? 0) - total, size: 1 });
    above.push(total);
    total += (notes[i]?.height ?? 0) + gap;
    for (;;) {
      const last = pools.at(-1);
      const before = pools.at(-2);
      if (!last || !before || before.sum / before.size <= last.sum / last.size) break;
      pools.splice(-2, 2, { sum: before.sum + last.sum, size: before.size + last.size });
    }
  }
  const highest = Math.max(floor, ceiling - total + gap);
  const even = pools.flatMap(({ sum, size }) => new Array<number>(size).fill(sum / size));
  const tops = new Array<number>(notes.length).fill(0);
  order.forEach((i, place) => {
    tops[i] = Math.min(highest, Math.max(floor, even[place] ?? 0)) + (above[place] ?? 0);
  });
  return tops;
}

/**
 * As {@link stacked}, about one note that stays where it wishes to be: the others make room above and below it.
 *
 * @param fixed which one; none when it is -1
 */
export function stackedAbout(
  notes: { wish: number; height: number }[],
  fixed: number,
  gap: number,
  floor = 0,
): number[] {
  const one = notes[fixed];
  if (!one) return stacked(notes, gap, floor);
  const before = notes.flatMap((note, i) =>
    i !== fixed && (note.wish < one.wish || (note.wish === one.wish && i < fixed)) ? [i] : [],
  );
  const after = notes.flatMap((_, i) => (i !== fixed && !before.includes(i) ? [i] : []));
  const pick = (indices: number[]) => indices.flatMap((i) => notes[i] ?? []);
  const needed = pick(before).reduce((sum, note) => sum + note.height + gap, floor);
  const top = Math.max(one.wish, needed);
  const tops = new Array<number>(notes.length).fill(top);
  stacked(pick(before), gap, floor, top - gap).forEach((at, i) => (tops[before[i] ?? 0] = at));
  stacked(pick(after), gap, top + one.height + gap).forEach((at, i) => (tops[after[i] ?? 0] = at));
  return tops;
}
