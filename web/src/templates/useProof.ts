import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';

type Detail = Schemas['TemplateDetail'];
export type Work = Schemas['Work'];

/** Whether something more will come of it. */
export const underWay = (work: Work | null | undefined) =>
  work?.state === 'WAITING' || work?.state === 'RUNNING';

const often = 700;

/** The proof of a template: asked for, watched while it is printed, and there when one comes back. */
export function useProof(id: string) {
  const client = useQueryClient();
  const path = { params: { path: { id } } };
  const key = ['proof', id];
  const shown = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/proof', path)),
    refetchInterval: (query) => (underWay(query.state.data?.work) ? often : false),
  });
  const ask = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/{id}/proof', path)),
    onSuccess: (view) => client.setQueryData(key, view),
  });
  return { work: shown.data?.work, proof: shown.data?.proof, error: ask.error ?? shown.error, ask };
}

/** Specimens drawn up for a draft's rules; the draft is handed on when they are there. */
export function useDrawing(detail: Detail, onTaken: (detail: Detail) => void) {
  const path = { params: { path: { id: detail.id } } };
  const drawing = useMutation({
    mutationFn: async () => {
      let work = await answer(
        api.POST('/api/v1/templates/{id}/specimens/drawing', {
          ...path,
          body: { revision: detail.revision },
        }),
      );
      while (underWay(work)) {
        await new Promise((resolve) => setTimeout(resolve, often));
        work = await answer(api.GET('/api/v1/templates/{id}/specimens/drawing', path));
      }
      return { work, detail: await answer(api.GET('/api/v1/templates/{id}', path)) };
    },
    onSuccess: (come) => onTaken(come.detail),
  });
  const { work } = drawing.data ?? {};
  return { ...drawing, failed: work?.state === 'FAILED' ? work.reason : '' };
}
