import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../api/client';

/** Changes of one draft wait for one another. */
export const draftScope = (id: string) => ({ id: `draft ${id}` });

/**
 * A change of a draft, made to it as the change before has left it: who works fast does not stand in their own way. One that
 * somebody else has made meanwhile is still refused by the server.
 */
export function useDraftAct<Of, Made>(
  id: string,
  act: (revision: number, of: Of) => Promise<Made>,
  onSuccess: (made: Made, of: Of) => void,
) {
  const queries = useQueryClient();
  return useMutation({
    scope: draftScope(id),
    mutationFn: (of: Of) => {
      const known = queries.getQueryData<Schemas['TemplateDetail']>(['template', id]);
      return act(known?.revision ?? 0, of);
    },
    onSuccess,
  });
}
