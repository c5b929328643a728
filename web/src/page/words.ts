/** Words chosen on a page with some of those around them, so that they can be found again in the Word file. */
export type Words = { text: string; before: string; after: string };

const CONTEXT = 60;

/** The words that are selected within an element, or the place of the cursor in it. */
export function chosenWords(within: HTMLElement, selection: Selection | null): Words | undefined {
  if (!selection || selection.rangeCount === 0) return undefined;
  return wordsOfRange(within, selection.getRangeAt(0));
}

/** The words of a range within an element, or the place between words where it is. */
export function wordsOfRange(within: HTMLElement, range: Range): Words | undefined {
  if (!within.contains(range.startContainer) || !within.contains(range.endContainer)) {
    return undefined;
  }
  const before = document.createRange();
  before.selectNodeContents(within);
  before.setEnd(range.startContainer, range.startOffset);
  const after = document.createRange();
  after.selectNodeContents(within);
  after.setStart(range.endContainer, range.endOffset);
  const words = {
    text: range.toString().trim(),
    before: before.toString().slice(-CONTEXT),
    after: after.toString().slice(0, CONTEXT),
  };
  return words.text || words.before.trim() || words.after.trim() ? words : undefined;
}
