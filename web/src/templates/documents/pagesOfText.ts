/** The pages that somebody wrote, such as `2-4, 7`; nothing for what can't be read or has pages that there aren't. */
export function pagesOfText(text: string, most: number): number[] | undefined {
  const pages = new Set<number>();
  for (const part of text.split(',')) {
    const range = /^\s*(\d+)\s*(?:[-–]\s*(\d+)\s*)?$/.exec(part);
    if (!range) return undefined;
    const from = Number(range[1]);
    const to = range[2] === undefined ? from : Number(range[2]);
    if (from < 1 || to > most || to < from) return undefined;
    for (let page = from; page <= to; page++) pages.add(page);
  }
  return [...pages].sort((a, b) => a - b);
}
