import { useEffect, useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import type { Band } from './changed';
import { useNear } from './near';
import type { Document } from './viewer';

/** What a page needs to let words on it be chosen. */
export type WordsOf = (page: { document: Document; number: number; width: number }) => ReactNode;

/** One page: drawn while it is near the window, with what stands over it. */
export function PageSheet({
  document,
  number,
  pages,
  size,
  width,
  words: wordsOf,
  children,
}: {
  document: Document | undefined;
  number: number;
  pages: number;
  size: Schemas['Size'];
  /** In CSS pixels; 0 while it is not known. */
  width: number;
  /** Lays the words over the picture; without it they are there for assistive technology alone. */
  words?: WordsOf | undefined;
  children?: ReactNode;
}) {
  const words = useSay();
  const box = useRef<HTMLElement>(null);
  const near = useNear(box);
  const drawn = document && number <= document.numPages && near && width >= 40;
  return (
    <section
      ref={box}
      aria-label={words.say('page.number', { page: number, pages })}
      className="relative w-full bg-[#fff] shadow-page"
      style={{ aspectRatio: `${size.width} / ${size.height}` }}
    >
      {drawn && (
        <>
          <Picture document={document} number={number} width={width} />
          {wordsOf?.({ document, number, width })}
        </>
      )}
      {document && !wordsOf && number <= document.numPages && (
        <ReadOut document={document} number={number} />
      )}
      {children}
    </section>
  );
}

/** The words of a page for assistive technology, of those far from the window too: they are read and looked for as one text. */
function ReadOut({ document, number }: { document: Document; number: number }) {
  const [text, setText] = useState('');
  useEffect(() => {
    let ended = false;
    import('./viewer')
      .then(({ pageWords }) => pageWords(document, number))
      .then((words) => {
        if (!ended) setText(words);
      })
      .catch(() => undefined);
    return () => {
      ended = true;
    };
  }, [document, number]);
  return <div className="sr-only">{text}</div>;
}

function Picture({
  document,
  number,
  width,
}: {
  document: Document;
  number: number;
  width: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [bands, setBands] = useState<Band[]>([]);
  useEffect(() => {
    let ended = false;
    const target = canvas.current;
    if (!target) return;
    import('./viewer')
      .then(({ draw }) => draw(document, number, target, width, () => !ended))
      .then((changed) => {
        if (ended) return;
        setBands(changed);
      })
      .catch(() => undefined);
    return () => {
      ended = true;
    };
  }, [document, number, width]);
  return (
    <>
      <canvas ref={canvas} aria-hidden="true" className="block h-full w-full" />
      {bands.map(({ top, bottom }) => (
        <span
          key={top}
          aria-hidden="true"
          className="changed-band absolute right-1 w-1 bg-[#4f7040]"
          style={{ top: `${top * 100}%`, height: `${(bottom - top) * 100}%` }}
        />
      ))}
    </>
  );
}
