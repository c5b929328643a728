/** What word processors put beside their words, and what an editor of text has no place for. */
const dropped = ['style', 'script', 'meta', 'link', 'title', 'xml', 'o\\:p', 'head'].join(',');

/**
 * Pasted HTML without what a word processor adds to it: its own elements, classes and styles go, its paragraphs that are items of
 * a list become a list.
 */
export function cleanedPaste(html: string): string {
  const page = new DOMParser().parseFromString(html, 'text/html');
  const comments = page.createTreeWalker(page, NodeFilter.SHOW_COMMENT);
  const all: Node[] = [];
  while (comments.nextNode()) all.push(comments.currentNode);
  all.forEach((comment) => comment.parentNode?.removeChild(comment));
  page.querySelectorAll(dropped).forEach((element) => element.remove());
  lists(page);
  page.body.querySelectorAll('*').forEach((element) => {
    for (const { name } of [...element.attributes]) {
      if (!['colspan', 'rowspan', 'src', 'alt'].includes(name)) element.removeAttribute(name);
    }
  });
  return page.body.innerHTML;
}

/** Items as word processors write them: paragraphs whose style names a list and its level, with the mark in a span of its own. */
function lists(page: Document) {
  let open: { list: HTMLElement; level: number }[] = [];
  let last: Element | null = null;
  for (const item of page.querySelectorAll<HTMLElement>('p[style*="mso-list"]')) {
    const style = item.getAttribute('style') ?? '';
    const level = Number(/level(\d)/.exec(style)?.[1] ?? 1);
    const mark = item.querySelector('[style*="Ignore"]');
    const numbered = /^[\s\u00a0]*[(]?[\dA-Za-z]{1,4}[.)]/.test(mark?.textContent ?? '');
    mark?.remove();
    if (last === null || item.previousElementSibling !== last) open = [];
    while (open.length && (open.at(-1)?.level ?? 0) > level) open.pop();
    let inner = open.at(-1);
    if (!inner || inner.level < level) {
      const list = page.createElement(numbered ? 'ol' : 'ul');
      const parent = inner?.list.lastElementChild;
      if (parent) parent.append(list);
      else item.before(list);
      inner = { list, level };
      open.push(inner);
    }
    const entry = page.createElement('li');
    const words = page.createElement('p');
    words.append(...item.childNodes);
    entry.append(words);
    inner.list.append(entry);
    item.remove();
    last = open[0]?.list ?? null;
  }
}
