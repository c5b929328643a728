import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';

type Detail = Schemas['TemplateDetail'];
export type Settings = Schemas['TemplateSettings'];

const PAUSE = 600;

/** One template: as the server has it, and its settings as they are being typed, saved after each pause. */
export function useTemplate(id: string) {
  const queries = useQueryClient();
  const template = useQuery({
    queryKey: ['template', id],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}', { params: { path: { id } } })),
  });
  const [draft, setDraft] = useState<Settings>();
  const sent = useRef('');
  const detail = template.data;

  const took = useCallback(
    (next: Detail) => {
      queries.setQueryData(['template', id], next);
      void queries.invalidateQueries({ queryKey: ['templates'] });
    },
    [queries, id],
  );

  useEffect(() => {
    if (!detail) return;
    // what was typed while the last change was on its way stays and goes next
    setDraft((now) =>
      now === undefined || JSON.stringify(now) === sent.current || sent.current === ''
        ? detail.content
        : now,
    );
    sent.current = '';
  }, [detail]);

  const save = useMutation({
    mutationFn: (content: Settings) => {
      sent.current = JSON.stringify(content);
      return answer(
        api.PUT('/api/v1/templates/{id}/content', {
          params: { path: { id } },
          body: { revision: detail?.revision ?? 0, content },
        }),
      );
    },
    onSuccess: took,
  });
  const { mutate, isPending, isError } = save;
  const unsaved =
    draft !== undefined &&
    detail !== undefined &&
    JSON.stringify(draft) !== JSON.stringify(detail.content);

  useEffect(() => {
    if (!unsaved || isPending || isError || !draft) return;
    const timer = setTimeout(() => mutate(draft), PAUSE);
    return () => clearTimeout(timer);
  }, [draft, unsaved, isPending, isError, mutate]);

  const change = useCallback((next: Settings) => {
    setDraft(next);
  }, []);

  /** Forgets what was typed and takes the template as the server has it. */
  const reload = useCallback(() => {
    setDraft(undefined);
    sent.current = '';
    save.reset();
    void queries.invalidateQueries({ queryKey: ['template', id] });
  }, [queries, id, save]);

  return { template, detail, draft, change, took, save, unsaved, reload };
}
