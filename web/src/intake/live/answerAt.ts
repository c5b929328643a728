import type { Field } from '../inputProps';

/** One answer of a form, as words on the pages name it. */
export type AnswerAt = {
  name: string;
  /** The innermost list whose item has it; empty outside of lists. */
  list: string;
  /** Which item of each list around it, from the outside in, from 1. */
  items: number[];
};

/** How an answer is named in the form, for finding its input again. */
export const answerName = (name: string, list = '') => (list ? `${list}.${name}` : name);

/** The answer to which something in a form belongs. */
export function answerAt(element: Element | null): AnswerAt | undefined {
  const own = element?.closest<HTMLElement>('[data-answer]');
  if (!own) return undefined;
  const [first = '', second] = (own.dataset.answer ?? '').split('.');
  return {
    name: second ?? first,
    list: second === undefined ? '' : first,
    items: itemsAround(own),
  };
}

/** The question of a form to which something belongs: a list's for all of its items. */
export function questionAt(element: Element | null): string | undefined {
  let name: string | undefined;
  let now = element?.closest<HTMLElement>('[data-answer]');
  while (now) {
    name = now.dataset.answer;
    now = now.parentElement?.closest<HTMLElement>('[data-answer]');
  }
  return name;
}

function itemsAround(element: Element): number[] {
  const items: number[] = [];
  let now = element.parentElement?.closest<HTMLElement>('[data-item]');
  while (now) {
    items.unshift(Number(now.dataset.item));
    now = now.parentElement?.closest<HTMLElement>('[data-item]');
  }
  return items;
}

const TYPED_INTO = [
  'input:not([type=hidden])',
  'select',
  'textarea',
  '[contenteditable=true]',
  'button',
].join();

/** The first thing to type into of an answer. */
export function inputOf(form: ParentNode, at: AnswerAt): HTMLElement | undefined {
  const name = answerName(at.name, at.list);
  const found = [...form.querySelectorAll<HTMLElement>('[data-answer]')].find(
    (one) => one.dataset.answer === name && itemsAround(one).join() === at.items.join(),
  );
  return found?.querySelector<HTMLElement>(TYPED_INTO) ?? undefined;
}

/** Whether words on a page were printed by an answer; a list's own answer has printed all of its items. */
export function printedBy(
  printed: { name: string; list: string; items: number[] },
  at: AnswerAt,
): boolean {
  const whole = !at.list && printed.list !== '' && printed.list === at.name;
  const same =
    printed.name === at.name &&
    printed.list === at.list &&
    printed.items.slice(0, at.items.length).join() === at.items.join();
  return whole || same;
}

/** How all answers of a form are named, those of lists' items too. */
export function namesIn(fields: Field[], list = ''): Set<string> {
  return new Set(
    fields.flatMap(({ name, items }) => [answerName(name, list), ...namesIn(items, name)]),
  );
}
