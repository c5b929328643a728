import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { rebased } from './rebased';
import { draftScope } from './useDraftAct';
import { answer, api, Problem, sessionEnd, type Schemas } from '../api/client';

type Detail = Schemas['TemplateDetail'];
export type Settings = Schemas['TemplateSettings'];

const PAUSE = 250;

/** Whether an answer tells of a later state of a template than the one that is known. */
export function isLater(
  next: Pick<Detail, 'version' | 'revision'>,
  known: Pick<Detail, 'version' | 'revision'> | undefined,
): boolean {
  if (!known) return true;
  return next.version === known.version
    ? next.revision >= known.revision
    : next.version > known.version;
}

/** One template: as the server has it, and its settings as they are being typed, saved after each pause and on leaving. */
export function useTemplate(id: string) {
  const queries = useQueryClient();
  const template = useQuery({
    queryKey: ['template', id],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}', { params: { path: { id } } })),
  });
  const [draft, setDraft] = useState<Settings>();
  const sent = useRef<Settings>(undefined);
  const detail = template.data;

  const took = useCallback(
    (next: Detail) => {
      // answers may overtake one another; an older one would make every later change refused
      queries.setQueryData<Detail>(['template', id], (known) =>
        isLater(next, known) ? next : known,
      );
      void queries.invalidateQueries({ queryKey: ['templates'] });
    },
    [queries, id],
  );

  const base = useRef<Settings>(undefined);
  useEffect(() => {
    if (!detail) return;
    const before = base.current;
    const underWay = sent.current;
    base.current = detail.content;
    sent.current = undefined;
    // what was typed while a change was on its way stays, on top of what that change has brought, and goes next
    setDraft((typed) => {
      const from = underWay ?? before;
      return typed && from ? rebased(from, typed, detail.content) : detail.content;
    });
  }, [detail]);

  const put = useCallback(
    (content: Settings, leaving: boolean) => {
      const revision = queries.getQueryData<Detail>(['template', id])?.revision ?? 0;
      return answer(
        api.PUT('/api/v1/templates/{id}/content', {
          params: { path: { id } },
          body: { revision, content },
          keepalive: leaving,
        }),
      );
    },
    [queries, id],
  );

  const save = useMutation({
    scope: draftScope(id),
    mutationFn: (content: Settings) => {
      sent.current = content;
      return put(content, false);
    },
    onSuccess: took,
    onError: () => {
      // what could not be saved is still being typed
      sent.current = undefined;
    },
  });
  const { mutate, isPending, error, reset } = save;
  const refused = error instanceof Problem && error.status === 409;
  const unsaved =
    draft !== undefined &&
    detail !== undefined &&
    JSON.stringify(draft) !== JSON.stringify(detail.content);

  useEffect(() => {
    if (!unsaved || isPending || error || !draft) return;
    const timer = setTimeout(() => mutate(draft), PAUSE);
    return () => clearTimeout(timer);
  }, [draft, unsaved, isPending, error, mutate]);

  // on leaving, the last pause is not waited for
  const open = useRef<Settings>(undefined);
  const pending = useRef(false);
  useEffect(() => {
    open.current = unsaved && !refused ? draft : undefined;
    pending.current = isPending;
  }, [unsaved, refused, draft, isPending]);
  useEffect(() => {
    function ask(event: BeforeUnloadEvent) {
      if (open.current) event.preventDefault();
    }
    window.addEventListener('beforeunload', ask);
    return () => {
      window.removeEventListener('beforeunload', ask);
      const content = open.current;
      if (!content) return;
      const last = () => void put(content, true).then(took, () => undefined);
      if (!pending.current) last();
      else void afterPending(queries, id, last);
    };
  }, [queries, id, put, took]);

  const change = useCallback(
    (next: Settings) => {
      // a failure that may be over by now, such as an ended session, is not held against what is typed next
      if (error && !refused) reset();
      setDraft(next);
    },
    [error, refused, reset],
  );

  // what could not be saved when the session had ended is saved now
  useEffect(() => {
    const again = () => {
      if (!refused) reset();
    };
    sessionEnd.addEventListener('renewed', again);
    return () => sessionEnd.removeEventListener('renewed', again);
  }, [refused, reset]);

  /** Forgets what was typed and takes the template as the server has it. */
  const reload = useCallback(() => {
    setDraft(undefined);
    sent.current = undefined;
    base.current = undefined;
    reset();
    queries.removeQueries({ queryKey: ['template', id] });
    void queries.invalidateQueries({ queryKey: ['template', id] });
  }, [queries, id, reset]);

  return { template, detail, draft, change, took, save, unsaved, reload };
}

/** Waits until the save that is on its way has brought its revision. */
async function afterPending(
  queries: ReturnType<typeof useQueryClient>,
  id: string,
  then: () => void,
): Promise<void> {
  const before = queries.getQueryData<Detail>(['template', id])?.revision;
  for (let i = 0; i < 100; i++) {
    await new Promise((next) => setTimeout(next, 100));
    if (queries.getQueryData<Detail>(['template', id])?.revision !== before) break;
  }
  then();
}
