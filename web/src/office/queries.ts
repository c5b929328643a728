import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';

/** Who is signed in; an error when nobody is. */
export function useSession() {
  return useQuery({
    queryKey: ['session'],
    queryFn: () => answer(api.GET('/api/v1/session')),
    retry: false,
    staleTime: 60_000,
  });
}

export function useAgreement(number: string) {
  return useQuery({
    queryKey: ['agreement', number],
    queryFn: () => answer(api.GET('/api/v1/agreements/{number}', { params: { path: { number } } })),
    // what the program is at is looked at again soon, what people are at less often
    refetchInterval: (query) => {
      const row = query.state.data?.row;
      const state = row?.state;
      const onTheWay = !row?.onPaper && row?.route.every((slat) => slat.standing !== 'TURN');
      if (state === 'GENERATING' || state === 'SEALING') return 1000;
      if (state === 'OUT' && onTheWay) return 1000;
      return state === 'OUT' ? 5000 : false;
    },
  });
}

/** By what people come in. @param asked whether it is needed */
export function useDoor(asked = true) {
  return useQuery({
    queryKey: ['door'],
    queryFn: () => answer(api.GET('/api/v1/session/door')),
    enabled: asked,
    staleTime: Infinity,
  });
}
