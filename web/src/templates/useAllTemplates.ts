import { useQuery } from '@tanstack/react-query';
import { allOf } from '../api/all';
import { answer, api } from '../api/client';

/** All templates, for choosing one. @param allowed whether who is signed in may see them */
export function useAllTemplates(allowed = true) {
  return useQuery({
    enabled: allowed,
    queryKey: ['templates', 'all'],
    queryFn: () =>
      allOf((number) =>
        answer(api.GET('/api/v1/templates', { params: { query: { page: number } } })),
      ),
  });
}
