import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';

type Detail = Schemas['TemplateDetail'];
export type Work = Schemas['Work'];

/** Whether something more will come of it. */
export const underWay = (work: Work | null | undefined) =>
  work?.state === 'WAITING' || work?.state === 'RUNNING';

const often = 700;
const proofKey = (id: string) => ['proof', id];

/** The proof of a template: asked for, watched while it is printed, and there when one comes back. */
export function useProof(id: string) {
  const client = useQueryClient();
  const path = { params: { path: { id } } };
  const key = proofKey(id);
  const shown = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/proof', path)),
    refetchInterval: ({ state: { data } }) =>
      underWay(data?.work) || underWay(data?.drawing) ? often : false,
  });
  const ask = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/{id}/proof', path)),
    onSuccess: (view) => client.setQueryData(key, view),
  });
  return { ...shown.data, error: ask.error ?? shown.error, ask };
}

/**
 * Specimens drawn up for a draft's rules: asked for, watched also by who comes back while it goes on, and handed on when they
 * are there.
 */
export function useDrawing(
  detail: Detail,
  drawing: Work | null | undefined,
  onTaken: (detail: Detail) => void,
) {
  const client = useQueryClient();
  const path = { params: { path: { id: detail.id } } };
  const ask = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/templates/{id}/specimens/drawing', {
          ...path,
          body: { revision: detail.revision },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: proofKey(detail.id) }),
  });
  const take = useMutation({
    mutationFn: () => answer(api.GET('/api/v1/templates/{id}', path)),
    onSuccess: onTaken,
  });
  const going = ask.isPending || underWay(drawing);
  const { mutate: takeOver } = take;
  const [watched, setWatched] = useState(going);
  const ended = watched && !going && drawing?.state === 'DONE';
  if (going && !watched) setWatched(true);
  useEffect(() => {
    if (!ended) return;
    setWatched(false);
    takeOver();
  }, [ended, takeOver]);
  return {
    ask: ask.mutate,
    going,
    error: ask.error ?? take.error,
    // one that failed before, for another state of the draft, is nobody's concern any more
    failed: drawing?.state === 'FAILED' && (watched || drawing.current) ? drawing.reason : '',
  };
}
