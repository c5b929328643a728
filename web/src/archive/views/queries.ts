import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { queryOf, type Asked } from './asked';

/** Templates that agreements were filed from. */
export function useFiledTemplates() {
  return useQuery({
    queryKey: ['archive', 'templates'],
    queryFn: () => answer(api.GET('/api/v1/archive/templates')),
  });
}

/** Which of a template's data are columns; looked at again while what was filed is gone through. */
export function useTemplateColumns(template: string) {
  return useQuery({
    queryKey: ['archive', 'columns', template],
    enabled: template !== '',
    queryFn: () =>
      answer(
        api.GET('/api/v1/archive/templates/{id}/columns', { params: { path: { id: template } } }),
      ),
    refetchInterval: (query) => (query.state.data?.behind ? 1000 : false),
  });
}

/** Looks at the archive anew when there are other columns, and as what is filed is gone through for them. */
export function useFollowed(columns: Schemas['TemplateColumnsView'] | undefined) {
  const queries = useQueryClient();
  // all may have been gone through before the first answer said how many weren't
  const stand = columns && [columns.behind, ...columns.chosen.map(({ key }) => key)].join(' ');
  useEffect(() => {
    if (stand === undefined) return;
    void queries.invalidateQueries({ queryKey: ['archive', 'list'] });
    void queries.invalidateQueries({ queryKey: ['archive', 'groups'] });
  }, [stand, queries]);
}

export function useViews() {
  return useQuery({
    queryKey: ['archive', 'views'],
    queryFn: () => answer(api.GET('/api/v1/archive/views')),
  });
}

/** Headings with their counts and sums, or all together. */
export function useGroups(asked: Asked, by: string, page: number) {
  const query = { ...queryOf(asked), by, page };
  return useQuery({
    queryKey: ['archive', 'groups', query],
    queryFn: () => answer(api.GET('/api/v1/archive/groups', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** A page of what is asked for. */
export function useArchive(
  asked: Asked,
  place: { sort: string; at: { page: number; after: string; before: string } },
) {
  const query = { ...queryOf(asked), sort: place.sort, ...place.at };
  return useQuery({
    queryKey: ['archive', 'list', query],
    queryFn: () => answer(api.GET('/api/v1/archive', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}
