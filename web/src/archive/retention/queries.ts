import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type KeptAgreement = Schemas['KeptAgreement'];
export type LegalHold = Schemas['LegalHold'];
export type DestructionConfirmed = Schemas['DestructionConfirmed'];
export type DestroyedAgreement = Schemas['DestroyedAgreement'];

type Place = { at: { page: number; after: string; before: string } };

/** Agreements that have been kept long enough by a day. */
export function useDue(asked: { template?: string; by?: string }, place: Place) {
  const query = { ...asked, ...place.at };
  return useQuery({
    queryKey: ['retention', 'due', query],
    queryFn: () => answer(api.GET('/api/v1/archive/retention/due', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** Legal holds that are in force. */
export function useHolds(place: Place) {
  const query = place.at;
  return useQuery({
    queryKey: ['retention', 'holds', query],
    queryFn: () => answer(api.GET('/api/v1/archive/retention/holds', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** Agreements of which somebody has confirmed that they are destroyed. */
export function useConfirmed(place: Place) {
  const query = place.at;
  return useQuery({
    queryKey: ['retention', 'confirmed', query],
    queryFn: () => answer(api.GET('/api/v1/archive/retention/destructions', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** What stays of agreements that were destroyed. */
export function useDestroyed(asked: { template?: string }, place: Place) {
  const query = { ...asked, ...place.at };
  return useQuery({
    queryKey: ['retention', 'destroyed', query],
    queryFn: () => answer(api.GET('/api/v1/archive/retention/destroyed', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

/** How long an agreement is kept, and why. */
export function useRetentionOf(number: string) {
  return useQuery({
    queryKey: ['retention', 'of', number],
    queryFn: () =>
      answer(api.GET('/api/v1/archive/{number}/retention', { params: { path: { number } } })),
  });
}

/** How long a template's agreements are kept. */
export function useTemplateRetention(template: string) {
  return useQuery({
    queryKey: ['retention', 'template', template],
    enabled: template !== '',
    queryFn: () =>
      answer(
        api.GET('/api/v1/archive/templates/{id}/retention', { params: { path: { id: template } } }),
      ),
  });
}

/** After something was decided, all that shows it is fetched anew. */
export function useRetentionAnew() {
  const queries = useQueryClient();
  return () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ['retention'] }),
      queries.invalidateQueries({ queryKey: ['today'] }),
    ]);
}
