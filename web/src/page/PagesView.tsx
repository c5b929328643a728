import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import type { Document } from './viewer';
import { chosenWords, type Words } from './words';

type Pages = Schemas['Pages'];

/** Opens a document with the page viewer, which is loaded only then. */
function useDocument(url: string) {
  const [document, setDocument] = useState<Document>();
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let ended = false;
    let close: (() => void) | undefined;
    setDocument(undefined);
    setFailed(false);
    import('./viewer')
      .then(({ open }) => {
        if (ended) return;
        const task = open(url);
        close = () => void task.destroy();
        return task.promise.then((opened) => {
          if (!ended) setDocument(opened);
        });
      })
      .catch(() => {
        if (!ended) setFailed(true);
      });
    return () => {
      ended = true;
      close?.();
    };
  }, [url]);
  return { document, failed };
}

function PageCanvas({
  document,
  number,
  width,
  onWords,
}: {
  document: Document;
  number: number;
  width: number;
  onWords?: ((words: Words | undefined) => void) | undefined;
}) {
  const layer = useRef<HTMLDivElement>(null);
  const selectable = onWords !== undefined;
  useEffect(() => {
    const target = layer.current;
    if (!target || !selectable || width < 40) return;
    let ended = false;
    import('./viewer')
      .then(({ layWords }) => layWords(document, number, target, width, () => !ended))
      .catch(() => undefined);
    return () => {
      ended = true;
    };
  }, [document, number, width, selectable]);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [words, setWords] = useState('');
  useEffect(() => {
    let ended = false;
    const target = canvas.current;
    if (!target || width < 40) return;
    import('./viewer')
      .then(({ draw }) => draw(document, number, target, width))
      .then((text) => {
        if (!ended) setWords(text);
      })
      .catch(() => undefined);
    return () => {
      ended = true;
    };
  }, [document, number, width]);
  return (
    <>
      <canvas ref={canvas} aria-hidden="true" className="block h-auto w-full" />
      {onWords ? (
        <div
          ref={layer}
          className="text-layer"
          onMouseUp={() => {
            if (layer.current) onWords(chosenWords(layer.current, window.getSelection()));
          }}
          onKeyUp={() => {
            if (layer.current) onWords(chosenWords(layer.current, window.getSelection()));
          }}
        />
      ) : (
        <div className="sr-only">{words}</div>
      )}
    </>
  );
}

/** The document page by page, with whatever stands over or beside each page. */
export function PagesView({
  url,
  pages,
  over,
  beside,
  onWords,
}: {
  url: string;
  pages: Pages;
  /** Drawn over a page; positions in per cent of the page. */
  over?: (page: number) => ReactNode;
  beside?: (page: number, height: number) => { left?: ReactNode; right?: ReactNode };
  /** Makes the words selectable, and is told which are. */
  onWords?: ((words: Words | undefined) => void) | undefined;
}) {
  const words = useSay();
  const { document, failed } = useDocument(url);
  const box = useRef<HTMLElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const target = box.current;
    if (!target) return;
    const watch = new ResizeObserver(() => setWidth(target.clientWidth));
    watch.observe(target);
    setWidth(target.clientWidth);
    return () => watch.disconnect();
  }, []);
  if (failed) {
    return (
      <p role="alert" className="text-oxide">
        {words.say('page.pages-failed')}
      </p>
    );
  }
  return (
    <div className="flex flex-col gap-5">
      {pages.sizes.map((size, i) => {
        const margins = beside?.(i + 1, (width / size.width) * size.height);
        return (
          <div
            key={i}
            className={
              margins
                ? 'grid grid-cols-[minmax(9rem,1fr)_minmax(0,38rem)_minmax(9rem,1fr)] gap-3'
                : ''
            }
          >
            {margins && <div className="relative">{margins.left}</div>}
            <section
              ref={i === 0 ? box : undefined}
              aria-label={words.say('page.number', { page: i + 1, pages: pages.sizes.length })}
              className="relative bg-[#fff] shadow-page"
              style={{ aspectRatio: `${size.width} / ${size.height}` }}
            >
              {document && i < document.numPages && (
                <PageCanvas document={document} number={i + 1} width={width} onWords={onWords} />
              )}
              {over?.(i + 1)}
            </section>
            {margins && <div className="relative">{margins.right}</div>}
          </div>
        );
      })}
      {!document && (
        <p role="status" className="text-soft">
          {words.say('page.opening-pages')}
        </p>
      )}
    </div>
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
