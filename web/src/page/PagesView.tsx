import { useMemo, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { useMeasured } from './near';
import { PageSheet } from './PageSheet';
import { useOpened } from './useOpened';

/** A document page by page, with whatever stands over each page. */
export function PagesView({
  url,
  pages,
  over,
}: {
  url: string;
  pages: Schemas['Pages'];
  /** Drawn over a page; positions in per cent of the page. */
  over?: (page: number) => ReactNode;
}) {
  const words = useSay();
  const sheet = useMemo(() => ({ url, pages, printed: [] }), [url, pages]);
  const { sheet: shown, document, failed } = useOpened(sheet);
  const { ref, width } = useMeasured();
  if (failed) return <PagesFailed />;
  return (
    <div ref={ref} className="flex flex-col gap-5">
      {shown.pages.sizes.map((size, i) => (
        <PageSheet
          key={i}
          document={document}
          number={i + 1}
          pages={shown.pages.sizes.length}
          size={size}
          width={width}
        >
          {over?.(i + 1)}
        </PageSheet>
      ))}
      {!document && (
        <p role="status" className="text-soft">
          {words.say('page.opening-pages')}
        </p>
      )}
    </div>
  );
}

export function PagesFailed() {
  const words = useSay();
  return (
    <p role="alert" className="text-oxide">
      {words.say('page.pages-failed')}
    </p>
  );
}

type Place = { x: number; y: number; width: number; height: number };

/** A place in per cent of its page. */
export function placeOf(field: Place, size: Schemas['Size']) {
  return {
    left: `${(field.x / size.width) * 100}%`,
    top: `${(1 - (field.y + field.height) / size.height) * 100}%`,
    width: `${(field.width / size.width) * 100}%`,
    height: `${(field.height / size.height) * 100}%`,
  };
}
