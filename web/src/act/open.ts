import { INITIALS, MARK } from './filling';

/** What can be filled in. */
export const INPUTS = ['input', 'select', 'textarea', 'button'].join();

/** Where questions stand on the page, by what goes before their ids: in the text that is read, in the list, and on which printed page. */
export const IN_TEXT = 'text-';
export const IN_LIST = '';
export const onPage = (number: number) => `page-${number}-`;

/** Where what is asked of the participant begins: consent, list, act. */
export const YOUR_PART = 'your-part';

/** Leads to what is open: where it is read, or else in the list. Returns whether it was found. */
export function leadTo(name: string): boolean {
  const target =
    name === MARK || name === INITIALS
      ? document.getElementById(name)
      : (shown(IN_TEXT + name) ?? shown(IN_LIST + name));
  if (!target) return false;
  const inside = target.matches(INPUTS)
    ? target
    : (target.querySelector<HTMLElement>(INPUTS) ?? target);
  inside.focus({ preventScroll: true });
  target.scrollIntoView({ block: 'center' });
  return true;
}

function shown(id: string): HTMLElement | undefined {
  const found =
    document.getElementById(id) ??
    document.querySelector<HTMLElement>(`[id^="${CSS.escape(id)}-"]`);
  return found && found.offsetParent !== null ? found : undefined;
}
