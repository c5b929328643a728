import { useSyncExternalStore } from 'react';

const WIDE = '(min-width: 64rem)';

function watch(changed: () => void) {
  const query = window.matchMedia(WIDE);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** Whether there is room for pages beside a form. */
export const useWide = () => useSyncExternalStore(watch, () => window.matchMedia(WIDE).matches);
