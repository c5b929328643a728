/** The words of a page as one text, with the way back from each place in it to the page. */
export type FlatText = { text: string; pieces: { node: Text; start: number }[] };

/** Reads the words within an element; lines of the page end with a line break. */
export function flatten(element: HTMLElement): FlatText {
  const pieces: FlatText['pieces'] = [];
  let text = '';
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    if (node instanceof Text && node.data) {
      pieces.push({ node, start: text.length });
      text += node.data;
    } else if (node instanceof HTMLBRElement && text && !text.endsWith('\n')) {
      text += '\n';
    }
  }
  return { text, pieces };
}

/** The piece in which a place stands; a place between two is the end of the first. */
export function pieceAt({ pieces }: FlatText, place: number) {
  let found = pieces[0];
  for (const piece of pieces) {
    if (piece.start >= place && piece !== pieces[0]) break;
    found = piece;
  }
  if (!found) return undefined;
  const offset = Math.max(0, Math.min(place - found.start, found.node.data.length));
  return { node: found.node, offset };
}

const letter = /[\p{L}\p{M}\p{N}]/u;

/** The place between words that is nearest to one within a word; a place that is none within a word stays. */
export function betweenWords(text: string, place: number): number {
  let [from, to] = [place, place];
  while (from > 0 && letter.test(text.charAt(from - 1))) from--;
  while (to < text.length && letter.test(text.charAt(to))) to++;
  if (from === place || to === place) return place;
  return place - from < to - place ? from : to;
}

/** The place of a point within the page's words; -1 when it is none of them. */
export function placeOfPoint({ pieces }: FlatText, node: Node, offset: number): number {
  const piece = pieces.find((one) => one.node === node);
  return piece ? piece.start + Math.min(offset, piece.node.data.length) : -1;
}

type Segments = { start: number; end: number }[];

function wordsIn(text: string): Segments {
  const segmenter = new Intl.Segmenter(undefined, { granularity: 'word' });
  return [...segmenter.segment(text)].flatMap(({ segment, index, isWordLike }) =>
    isWordLike ? [{ start: index, end: index + segment.length }] : [],
  );
}

/** The end of the word that a place is in or before. */
export function wordAfter(text: string, place: number): number {
  return wordsIn(text).find(({ end }) => end > place)?.end ?? text.length;
}

/** The start of the word that a place is in or behind. */
export function wordBefore(text: string, place: number): number {
  return wordsIn(text).findLast(({ start }) => start < place)?.start ?? 0;
}

/** The words that a stretch touches, whole: who points at words rarely hits their very edges. */
export function wholeWords(text: string, from: number, to: number): [from: number, to: number] {
  const [start, end] = from < to ? [from, to] : [to, from];
  const within = (place: number) =>
    wordsIn(text).find((word) => word.start < place && place < word.end);
  return [within(start)?.start ?? start, within(end)?.end ?? end];
}

/** The start of a place's line. */
export const lineStart = (text: string, place: number) => text.lastIndexOf('\n', place - 1) + 1;

/** The end of a place's line. */
export function lineEnd(text: string, place: number): number {
  const end = text.indexOf('\n', place);
  return end < 0 ? text.length : end;
}
