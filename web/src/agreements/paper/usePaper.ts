import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, upload, type Schemas } from '../../api/client';

export type Paper = Schemas['PaperView'];
export type Sheet = Schemas['SheetView'];
export type Finding = Schemas['FindingView'];
export type ScanRow = Schemas['ScanRowView'];

/** What scans are, as files are chosen. */
export const scanFiles = '.pdf,.tif,.tiff,.jpg,.jpeg,.png';

/** What was printed of an agreement and came back; looked at again while a scan is read. */
export function usePaper(number: string, asked = true) {
  return useQuery({
    queryKey: ['paper', number],
    enabled: asked,
    queryFn: () =>
      answer(api.GET('/api/v1/agreements/{number}/paper', { params: { path: { number } } })),
    refetchInterval: (query) =>
      query.state.data?.scans.some(({ state }) => state === 'READING') ? 1200 : false,
  });
}

/** Brings scans, one after the other. @param number of the agreement that they are of; empty where that is found out */
export function useBringScans(number: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (files: File[]) => {
      const query = number ? `?number=${encodeURIComponent(number)}` : '';
      for (const file of files) await upload<ScanRow>(`/api/v1/scans${query}`, file);
    },
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ['scans'] });
      void queries.invalidateQueries({ queryKey: ['paper'] });
    },
  });
}

/** The findings of a sheet that somebody has to look at. */
export function inDoubt({ came }: Sheet): Finding[] {
  return came?.findings.filter((one) => one.inDoubt) ?? [];
}
