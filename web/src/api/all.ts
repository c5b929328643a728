/** Everything of a list that comes in pages, for where a person chooses from all of it. */
export async function allOf<T>(
  page: (number: number) => Promise<{ items: T[]; total: number }>,
): Promise<T[]> {
  const items: T[] = [];
  for (let number = 0; ; number++) {
    const next = await page(number);
    items.push(...next.items);
    if (next.items.length === 0 || items.length >= next.total) return items;
  }
}
