import { useLayoutEffect } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useDraftAct } from './useDraftAct';
import { isTyping } from '../ui/keys';

type Detail = Schemas['TemplateDetail'];

/** Taking back and making again whatever was done to a draft, by buttons and by keys. */
export function useSteps(
  detail: Detail | undefined,
  unsaved: boolean,
  took: (detail: Detail) => void,
) {
  const id = detail?.id ?? '';
  const go = useDraftAct(
    id,
    (revision, back: boolean) => {
      const request = { params: { path: { id } }, body: { revision } };
      return answer(
        back
          ? api.POST('/api/v1/templates/{id}/undo', request)
          : api.POST('/api/v1/templates/{id}/redo', request),
      );
    },
    took,
  );
  const open = detail?.state === 'DRAFT' && !unsaved && !go.isPending;
  const { mutate } = go;
  const back = open && detail.undo ? () => mutate(true) : undefined;
  const again = open && detail.redo ? () => mutate(false) : undefined;
  // before the buttons show what can be done: a key pressed right then has to find it too
  useLayoutEffect(() => {
    function press(event: KeyboardEvent) {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event.target)) return;
      const key = event.key.toLowerCase();
      const act = key === 'z' ? (event.shiftKey ? again : back) : key === 'y' ? again : undefined;
      if (!act) return;
      event.preventDefault();
      act();
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
  return { back, again, error: go.error };
}
