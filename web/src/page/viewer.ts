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

/** Where words stand on a page: per cent of its width and height, from the top left. */
export type Match = { key: string; left: number; top: number; width: number; height: number };

/** How wide characters are against each other in common text faces; near enough to mark a word. */
function weight(text: string): number {
  let sum = 0;
  for (const char of text) {
    if (/[iljtfrI.,;:'’|!()[\]\s]/.test(char)) sum += 0.55;
    else if (/[mwMW@—%]/.test(char)) sum += 1.55;
    else sum += /[A-Z0-9€£$]/.test(char) ? 1.12 : 1;
  }
  return sum;
}

const wordChar = /[\p{L}\p{N}]/u;

/** Whether a stretch begins or ends inside a longer word of the same piece. */
function cutsWord(piece: Piece, from: number, to: number): boolean {
  const cutAt = (i: number) =>
    i > 0 &&
    i < piece.text.length &&
    wordChar.test(piece.text.charAt(i - 1)) &&
    wordChar.test(piece.text.charAt(i));
  return cutAt(from) || cutAt(to);
}

type Piece = { text: string; x: number; y: number; width: number; height: number };

/** Finds texts on a page, however the words are cut into pieces; white space doesn't count. */
export function locate(
  pieces: Piece[],
  page: { width: number; height: number },
  needles: { key: string; text: string }[],
): Match[] {
  const owners: { piece: Piece; index: number }[] = [];
  let all = '';
  for (const piece of pieces) {
    [...piece.text].forEach((char, index) => {
      if (/\s/.test(char)) return;
      all += char;
      owners.push({ piece, index });
    });
  }
  const matches: Match[] = [];
  for (const { key, text } of needles) {
    const wanted = text.replace(/\s+/g, '');
    if (wanted.length < 2) continue;
    for (let at = all.indexOf(wanted); at >= 0; at = all.indexOf(wanted, at + wanted.length)) {
      const covered = new Map<Piece, { from: number; to: number }>();
      for (const owner of owners.slice(at, at + wanted.length)) {
        const known = covered.get(owner.piece);
        if (known) known.to = owner.index + 1;
        else covered.set(owner.piece, { from: owner.index, to: owner.index + 1 });
      }
      const parts = [...covered];
      if (parts.some(([piece, part]) => cutsWord(piece, part.from, part.to))) continue;
      for (const [piece, part] of parts) {
        const whole = Math.max(weight(piece.text), 0.1);
        const before = weight(piece.text.slice(0, part.from));
        const inside = weight(piece.text.slice(part.from, part.to));
        matches.push({
          key,
          left: ((piece.x + (piece.width * before) / whole) / page.width) * 100,
          top: (1 - (piece.y + piece.height) / page.height) * 100,
          width: ((piece.width * inside) / whole / page.width) * 100,
          height: (piece.height / page.height) * 100,
        });
      }
    }
  }
  return matches;
}

export async function matchesOn(
  document: Document,
  number: number,
  needles: { key: string; text: string }[],
): Promise<Match[]> {
  const page = await document.getPage(number);
  const { width, height } = page.getViewport({ scale: 1 });
  const text = await page.getTextContent();
  const pieces = text.items.flatMap((item) =>
    'str' in item
      ? [
          {
            text: item.str,
            x: Number(item.transform[4]),
            y: Number(item.transform[5]) - item.height * 0.2,
            width: item.width,
            height: item.height * 1.15,
          },
        ]
      : [],
  );
  return locate(pieces, { width, height }, needles);
}
