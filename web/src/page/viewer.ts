import * as pdfjs from 'pdfjs-dist';
import { changedBands, type Band } from './changed';
import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

pdfjs.GlobalWorkerOptions.workerSrc = worker;

export type Document = pdfjs.PDFDocumentProxy;

/** One worker reads all documents: it is started once, as soon as the viewer is there, and not for each redrawing. */
let reader: pdfjs.PDFWorker | undefined;

function atWork(): pdfjs.PDFWorker {
  if (!reader || reader.destroyed) reader = new pdfjs.PDFWorker();
  return reader;
}

if (typeof Worker !== 'undefined') atWork();

/** Opens a document from our own server, or one that is at hand; the caller destroys it. */
export function open(of: string | Uint8Array): pdfjs.PDFDocumentLoadingTask {
  return pdfjs.getDocument({
    // the worker takes what it is given away from us
    ...(typeof of === 'string' ? { url: of } : { data: of.slice() }),
    worker: atWork(),
    cMapUrl: '/viewer/cmaps/',
    cMapPacked: true,
    standardFontDataUrl: '/viewer/standard_fonts/',
    wasmUrl: '/viewer/wasm/',
    iccUrl: '/viewer/iccs/',
    isEvalSupported: false,
  });
}

/** The words of a page, a line break at the end of each of its lines. */
export async function pageWords(document: Document, number: number): Promise<string> {
  const page = await document.getPage(number);
  const text = await page.getTextContent();
  return text.items
    .map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : ''))
    .join('');
}

/**
 * Draws one page at a width in CSS pixels; what the canvas shows stays until the page is whole.
 *
 * @returns where it differs from what the canvas showed before, if that was a page of the same size
 */
export async function draw(
  document: Document,
  number: number,
  canvas: HTMLCanvasElement,
  width: number,
  wanted: () => boolean,
): Promise<Band[]> {
  const page = await document.getPage(number);
  const plain = page.getViewport({ scale: 1 });
  const scale = (width / plain.width) * Math.min(window.devicePixelRatio || 1, 2);
  const viewport = page.getViewport({ scale });
  const next = window.document.createElement('canvas');
  next.width = Math.round(viewport.width);
  next.height = Math.round(viewport.height);
  const context = next.getContext('2d', { willReadFrequently: true });
  const shown = canvas.getContext('2d', { willReadFrequently: true });
  if (!context || !shown) throw new Error('no drawing context');
  await page.render({ canvas: next, canvasContext: context, viewport, annotationMode: 1 }).promise;
  let changed: Band[] = [];
  if (!wanted()) return changed;
  const { width: wide, height: high } = next;
  if (canvas.dataset.drawn && canvas.width === wide && canvas.height === high) {
    const [before, after] = [shown, context].map((one) => one.getImageData(0, 0, wide, high).data);
    if (before && after) changed = changedBands(before, after, wide, high);
  }
  canvas.width = wide;
  canvas.height = high;
  shown.drawImage(next, 0, 0);
  canvas.dataset.drawn = 'true';
  return changed;
}

/** Lays the words of a page over its picture, unseen, so that they can be selected, if they are still wanted. */
export async function layWords(
  document: Document,
  number: number,
  container: HTMLElement,
  width: number,
  wanted: () => boolean,
): Promise<void> {
  const page = await document.getPage(number);
  const textContentSource = await page.getTextContent();
  // another document may have come meanwhile; its words must not be mixed with these
  if (!wanted()) return;
  const plain = page.getViewport({ scale: 1 });
  const scale = width / plain.width;
  container.replaceChildren();
  container.style.setProperty('--total-scale-factor', String(scale));
  container.style.setProperty('--scale-factor', String(scale));
  await new pdfjs.TextLayer({
    textContentSource,
    container,
    viewport: page.getViewport({ scale }),
  }).render();
}
