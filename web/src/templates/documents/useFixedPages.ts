import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import type { Bench } from '../bench/bench';
import type { TemplateDocument } from './document';
import type { Ties } from './items';

const noLines: Schemas['Line'][] = [];

/** A fixed document's pages with nothing on them, the lines that they draw, and where the words stand that things hang on. */
export function useFixedPages({ detail }: Bench, document: TemplateDocument) {
  const path = { params: { path: { id: detail.id, document: document.id } } };
  const pages = useQuery({
    queryKey: ['fixed-pages', detail.id, document.id, document.file],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/documents/{document}/pages', path)),
    staleTime: Infinity,
  });
  // what they draw is asked for beside them: a long form draws thousands of lines
  const lines = useQuery({
    queryKey: ['fixed-lines', detail.id, document.id, document.file],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/documents/{document}/lines', path)),
    enabled: document.kind === 'FIXED',
    staleTime: Infinity,
  });
  const words = document.places
    .concat()
    .map(({ spot }) => spot)
    .concat(document.data.map(({ spot }) => spot))
    .flatMap((spot) => (spot.kind === 'BY_WORDS' ? [spot.words] : []));
  const ties = useQuery({
    queryKey: ['ties', detail.id, document.id, document.file, detail.revision, words],
    queryFn: () => answer(api.GET('/api/v1/templates/{id}/documents/{document}/ties', path)),
    enabled: words.length > 0,
    placeholderData: keepPreviousData,
  });
  const tied = useMemo(
    (): Ties => new Map((ties.data ?? []).map((one) => [one.words, one.places])),
    [ties.data],
  );
  return {
    sizes: pages.data?.sizes,
    lines: lines.data ?? noLines,
    ties: tied,
    url: `/api/v1/templates/${detail.id}/documents/${document.id}/pages.pdf?file=${document.file}`,
    error: pages.error ?? ties.error,
  };
}
