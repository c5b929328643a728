import { useQuery } from '@tanstack/react-query';
import { allOf } from '../api/all';
import { answer, api } from '../api/client';

/** All templates, for choosing one. */
export function useAllTemplates() {
  return useQuery({
    queryKey: ['templates', 'all'],
    queryFn: () =>
      allOf((number) =>
        answer(api.GET('/api/v1/templates', { params: { query: { page: number } } })),
      ),
  });
}
