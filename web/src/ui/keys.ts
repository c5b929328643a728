import { useEffect } from 'react';

/** Whether keys are for something that is being typed in. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement) return true;
  return (
    target instanceof HTMLInputElement &&
    !['checkbox', 'radio', 'button', 'submit', 'file', 'range'].includes(target.type)
  );
}

const OFF = 'jalousie.single-keys-off';

/** Whether keys without Ctrl or Alt do something: who dictates may not want that (WCAG 2.2, 2.1.4). */
export function singleKeysOn(): boolean {
  try {
    return window.localStorage.getItem(OFF) === null;
  } catch {
    return true;
  }
}

export function setSingleKeys(on: boolean) {
  try {
    if (on) window.localStorage.removeItem(OFF);
    else window.localStorage.setItem(OFF, 'yes');
  } catch {
    // a browser without room has them on
  }
}

/** The key that was pressed alone where nothing is being typed or chosen; nothing while such keys are off. */
export function singleKey(event: KeyboardEvent): string | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  if (isTyping(event.target) || event.target instanceof HTMLSelectElement) return undefined;
  return singleKeysOn() ? event.key : undefined;
}

/** The main act where the focus is: of the form or dialog that it is in, else of the room. */
export function mainAct(focus: Element | null): HTMLElement | undefined {
  const dialog = document.querySelector('[role=dialog]');
  const scopes = [focus?.closest('form'), dialog ?? document.querySelector('main')];
  for (const scope of scopes) {
    const act = scope?.querySelector<HTMLElement>('[data-main]:not(:disabled)');
    if (act) return act;
  }
  return undefined;
}

/** `Ctrl+Enter` does the main act, wherever the focus is. */
export function useMainActKey() {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      const asked = event.key === 'Enter' && (event.ctrlKey || event.metaKey);
      if (!asked || event.defaultPrevented) return;
      const act = mainAct(document.activeElement);
      if (!act) return;
      event.preventDefault();
      act.click();
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
