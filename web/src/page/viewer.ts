import * as pdfjs from 'pdfjs-dist';
import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url';

pdfjs.GlobalWorkerOptions.workerSrc = worker;

export type Document = pdfjs.PDFDocumentProxy;

/** Opens a document from our own server; the caller destroys it. */
export function open(url: string): pdfjs.PDFDocumentLoadingTask {
  return pdfjs.getDocument({
    url,
    cMapUrl: '/viewer/cmaps/',
    cMapPacked: true,
    standardFontDataUrl: '/viewer/standard_fonts/',
    wasmUrl: '/viewer/wasm/',
    iccUrl: '/viewer/iccs/',
    isEvalSupported: false,
  });
}

/** Draws one page at a width in CSS pixels and returns its words for assistive technology. */
export async function draw(
  document: Document,
  number: number,
  canvas: HTMLCanvasElement,
  width: number,
): Promise<string> {
  const page = await document.getPage(number);
  const plain = page.getViewport({ scale: 1 });
  const scale = (width / plain.width) * Math.min(window.devicePixelRatio || 1, 2);
  const viewport = page.getViewport({ scale });
  canvas.width = Math.round(viewport.width);
  canvas.height = Math.round(viewport.height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no drawing context');
  await page.render({ canvas, canvasContext: context, viewport, annotationMode: 1 }).promise;
  const text = await page.getTextContent();
  return text.items
    .map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : ''))
    .join('');
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
