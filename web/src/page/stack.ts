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
