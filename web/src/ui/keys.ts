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
