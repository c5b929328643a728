import { useEffect } from 'react';

/** `Ctrl+Enter` does the room's main act, wherever the focus is; nothing while there is none. */
export function useMainAct(act: (() => void) | undefined) {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || event.defaultPrevented)
        return;
      if (!act || document.querySelector('[role=dialog]')) return;
      event.preventDefault();
      act();
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
