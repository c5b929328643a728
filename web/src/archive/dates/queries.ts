import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type WatchedDate = Schemas['WatchedDate'];
export type Kind = WatchedDate['kind'];

/** What the list of dates is narrowed by. */
export type DatesAsked = {
  over?: boolean;
  template?: string;
  kind?: Kind;
  from?: string;
  to?: string;
  owner?: string;
};

/** A page of watched dates. */
export function useDates(
  asked: DatesAsked,
  place: { sort: string; at: { page: number; after: string; before: string } },
) {
  const query = { ...asked, sort: place.sort, ...place.at };
  return useQuery({
    queryKey: ['dates', 'list', query],
    queryFn: () => answer(api.GET('/api/v1/archive/dates', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** Which dates of a template are watched; looked at again while what is complete is gone through. */
export function useTemplateDates(template: string) {
  return useQuery({
    queryKey: ['dates', 'template', template],
    enabled: template !== '',
    queryFn: () =>
      answer(
        api.GET('/api/v1/archive/templates/{id}/dates', { params: { path: { id: template } } }),
      ),
    refetchInterval: (query) => (query.state.data && !query.state.data.gone ? 1000 : false),
  });
}

/** The dates of an agreement, and what it renews and is renewed by. */
export function useAgreementDates(number: string, complete = true) {
  return useQuery({
    queryKey: ['dates', 'of', number],
    enabled: complete,
    queryFn: () =>
      answer(api.GET('/api/v1/archive/{number}/dates', { params: { path: { number } } })),
  });
}

/** After something was done about a date, all that shows it is fetched anew. */
export function useDatesAnew() {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ['dates'] }),
      queries.invalidateQueries({ queryKey: ['today'] }),
    ]);
}
