import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

const stateKey = ['archive-stamps', 'state'];

/** A page of archive time stamps: those in force, or all. */
export function useStamps(all: boolean, page: number) {
  return useQuery({
    queryKey: ['archive-stamps', 'list', all, page],
    queryFn: () => answer(api.GET('/api/v1/archive/stamps', { params: { query: { all, page } } })),
    placeholderData: keepPreviousData,
  });
}

/** How all of them stand. */
export function useStampsState() {
  return useQuery({
    queryKey: stateKey,
    queryFn: () => answer(api.GET('/api/v1/archive/stamps/state')),
  });
}

/** What changes them answers with how all stand then. */
export function useStampsAnew<Wanted>(
  act: (wanted: Wanted) => Promise<Schemas['ArchiveStampsState']>,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSuccess: (state) => {
      queries.setQueryData(stateKey, state);
      return queries.invalidateQueries({ queryKey: ['archive-stamps', 'list'] });
    },
  });
}
