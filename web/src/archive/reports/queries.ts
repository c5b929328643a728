import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';

export type SpentRow = Schemas['SpentRow'];
export type OutRow = Schemas['OutRow'];
export type EndedRow = Schemas['EndedRow'];
export type EndedInVain = Schemas['EndedInVain'];
export type AskedReport = Schemas['AskedReport'];

/** What a report is about. */
export type ReportAsked = { template?: string; from?: string; to?: string };

export const reports = ['TIMES', 'OUT', 'ENDINGS', 'REQUESTS'] as const;
export type Report = (typeof reports)[number];

export function useTimes(asked: ReportAsked) {
  return useQuery({
    queryKey: ['reports', 'times', asked],
    queryFn: () => answer(api.GET('/api/v1/archive/reports/times', { params: { query: asked } })),
  });
}

export function useOut(asked: ReportAsked) {
  return useQuery({
    queryKey: ['reports', 'out', asked],
    queryFn: () => answer(api.GET('/api/v1/archive/reports/out', { params: { query: asked } })),
  });
}

export function useEndings(asked: ReportAsked) {
  return useQuery({
    queryKey: ['reports', 'endings', asked],
    queryFn: () => answer(api.GET('/api/v1/archive/reports/endings', { params: { query: asked } })),
  });
}

/** A page of those that came to nothing. */
export function useInVain(
  asked: ReportAsked,
  place: { sort: string; at: { page: number; after: string; before: string } },
) {
  const query = { ...asked, sort: place.sort, ...place.at };
  return useQuery({
    queryKey: ['reports', 'in-vain', query],
    queryFn: () => answer(api.GET('/api/v1/archive/reports/in-vain', { params: { query } })),
    placeholderData: keepPreviousData,
  });
}

export function useRequests(asked: ReportAsked) {
  return useQuery({
    queryKey: ['reports', 'requests', asked],
    queryFn: () =>
      answer(api.GET('/api/v1/archive/reports/requests', { params: { query: asked } })),
  });
}
