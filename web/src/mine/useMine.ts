import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';

/** What waits for who is signed in, as a participant of their own; the longest waiting first. */
export function useMine(page = 0, enabled = true) {
  return useQuery({
    queryKey: ['mine', page],
    queryFn: () => answer(api.GET('/api/v1/mine', { params: { query: { page } } })),
    refetchInterval: 30_000,
    placeholderData: keepPreviousData,
    enabled,
  });
}

/** Goes to where an agreement is read and acted on. */
export function useWayIn() {
  return useMutation({
    mutationFn: (number: string) =>
      answer(api.POST('/api/v1/mine/{number}/way-in', { params: { path: { number } } })),
    onSuccess: ({ address }) => location.assign(new URL(address).pathname),
  });
}
