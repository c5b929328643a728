import type { Line } from './printed';
import type { Thing } from './thing';
import type { Sheet } from './useOpened';

/**
 * What stands at a point of a page: the smallest thing there, so that a value within a passage is found before the passage.
 * A passage is found at its bracket, in the page's edge, since words to choose stand in it.
 *
 * @param x in parts of the page's width, from the left; {@code y} of its height, from the top
 */
export function placeAt(
  things: Thing[],
  { pages }: Sheet,
  page: number,
  x: number,
  y: number,
): string | undefined {
  const size = pages.sizes[page - 1];
  if (!size) return undefined;
  const [px, py] = [x * size.width, (1 - y) * size.height];
  const onIt = (line: Line) =>
    line.page === page &&
    px >= line.x &&
    px <= line.x + line.width &&
    py >= line.y &&
    py <= line.y + line.height;
  let best: { key: string; area: number } | undefined;
  for (const { key, lines, spans } of things) {
    if (spans) continue;
    for (const line of lines) {
      const area = line.width * line.height;
      if (onIt(line) && (!best || area < best.area)) best = { key, area };
    }
  }
  return best?.key;
}
