import { answer, api } from '../api/client';
import type { Bench } from './bench/bench';
import { useDraftAct } from './useDraftAct';

/** Keeps a signing field, or with an empty name all signatures, on one page with the words before it. */
export function useKeeping({ detail, took }: Pick<Bench, 'detail' | 'took'>) {
  return useDraftAct(
    detail.id,
    (revision, field: string) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/keeping', {
          params: { path: { id: detail.id } },
          body: { revision, field },
        }),
      ),
    took,
  );
}
