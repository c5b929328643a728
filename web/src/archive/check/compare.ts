import { changedBands, type Band } from '../../page/changed';
import { draw, open, type Document } from '../../page/viewer';

type Canvases = { was: HTMLCanvasElement; is: HTMLCanvasElement };

/** Up to which page the first that looks different is looked for. */
const MOST = 60;

/**
 * Draws a page of both states of a file.
 *
 * @param page from 1; 0 for the first that looks different
 * @returns what differs, from 0 at the top to 1 at the bottom; nothing when it isn't wanted any more
 */
export async function compare(
  before: Uint8Array,
  after: Uint8Array,
  page: number,
  canvases: Canvases,
  width: number,
  wanted: () => boolean,
): Promise<{ page: number; pages: number; bands: Band[] } | undefined> {
  const tasks = [open(before), open(after)] as const;
  try {
    const [was, is] = await Promise.all([tasks[0].promise, tasks[1].promise]);
    const pages = Math.max(was.numPages, is.numPages);
    const from = page > 0 ? page : 1;
    const to = page > 0 ? page : Math.min(pages, MOST);
    for (let at = from; at <= to; at++) {
      await Promise.all([
        drawOrBlank(was, at, canvases.was, width, wanted),
        drawOrBlank(is, at, canvases.is, width, wanted),
      ]);
      if (!wanted()) return undefined;
      const bands = differences(canvases);
      if (bands.length > 0 || page > 0) return { page: at, pages, bands };
    }
    await Promise.all([
      drawOrBlank(was, 1, canvases.was, width, wanted),
      drawOrBlank(is, 1, canvases.is, width, wanted),
    ]);
    return { page: 1, pages, bands: [] };
  } finally {
    tasks.forEach((task) => void task.destroy());
  }
}

async function drawOrBlank(
  document: Document,
  page: number,
  canvas: HTMLCanvasElement,
  width: number,
  wanted: () => boolean,
) {
  if (page <= document.numPages) {
    await draw(document, page, canvas, width, wanted);
  } else {
    canvas.width = width;
    canvas.height = Math.round(width * 1.4);
  }
}

/** Where two drawn pages differ; all of it when they aren't of one size. */
export function differences({ was, is }: Canvases): Band[] {
  if (was.width !== is.width || was.height !== is.height) return [{ top: 0, bottom: 1 }];
  const [before, after] = [was, is].map(
    (one) => one.getContext('2d')?.getImageData(0, 0, one.width, one.height).data,
  );
  return before && after ? changedBands(before, after, was.width, was.height) : [];
}
