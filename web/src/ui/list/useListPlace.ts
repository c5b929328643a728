import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** Everything that a list shows by, kept in the address, so that it can be sent and come back to. */
export function useListPlace() {
  const [params, setParams] = useSearchParams();
  const go = useCallback(
    (next: Record<string, string>) =>
      setParams(
        (before) => {
          const changed = new URLSearchParams(before);
          for (const [key, value] of Object.entries(next)) {
            if (value) changed.set(key, value);
            else changed.delete(key);
          }
          return changed;
        },
        { replace: true },
      ),
    [setParams],
  );
  const widths = useMemo(() => readWidths(params.get('widths') ?? ''), [params]);
  const page = params.get('page') ?? '';
  const { after, before } = readKey(page);
  return {
    params,
    /** Where a long list is looked at, as its queries say it. */
    at: { page: Number(page) || 0, after, before },
    find: params.get('find') ?? '',
    page: Number(page) || 0,
    sort: params.get('sort') ?? '',
    widths,
    go,
  };
}

/** As it stands in the address in place of a page's number: `after.KEY` or `before.KEY`. */
function readKey(page: string): { after: string; before: string } {
  const [, way, key = ''] = /^(after|before)\.(.+)$/.exec(page) ?? [];
  return { after: way === 'after' ? key : '', before: way === 'before' ? key : '' };
}

export type ListPlace = ReturnType<typeof useListPlace>;
export type Widths = Record<string, number>;

/** As they stand in the address: `title-320.number-90`. */
export function readWidths(text: string): Widths {
  return Object.fromEntries(
    text
      .split('.')
      .map((one) => /^(\w+)-(\d{1,4})$/.exec(one))
      .flatMap((found) => (found ? [[found[1], Number(found[2])]] : [])),
  ) as Widths;
}

export function writeWidths(widths: Widths): string {
  return Object.entries(widths)
    .map(([id, width]) => `${id}-${Math.round(width)}`)
    .join('.');
}
