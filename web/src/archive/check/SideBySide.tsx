import { useEffect, useRef, useState } from 'react';
import { say } from '../../messages/rooms';
import type { Band } from '../../page/changed';
import { Button } from '../../ui/parts';

type Shown = { page: number; pages: number; bands: Band[] };

/** In CSS pixels; both are drawn alike, so that they can be compared point by point. */
const WIDTH = 560;

/**
 * A page as it was when somebody signed, and as it is now, with what differs marked.
 *
 * @param page to begin with; 0 for the first that looks different
 */
export function SideBySide({
  before,
  after,
  page,
  by,
}: {
  before: Uint8Array;
  after: Uint8Array;
  page: number;
  by: string;
}) {
  const left = useRef<HTMLCanvasElement>(null);
  const right = useRef<HTMLCanvasElement>(null);
  const [wanted, setWanted] = useState(page);
  const [shown, setShown] = useState<Shown>();
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let ended = false;
    const [was, is] = [left.current, right.current];
    if (!was || !is) return;
    import('./compare')
      .then(({ compare }) => compare(before, after, wanted, { was, is }, WIDTH, () => !ended))
      .then((found) => {
        if (!ended && found) setShown(found);
      })
      .catch(() => {
        if (!ended) setFailed(true);
      });
    return () => {
      ended = true;
    };
    // the bytes are cut anew at each drawing of the list, and are the same
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [wanted, before.length, after.length]);
  return (
    <div className="pt-3">
      {failed && (
        <p role="alert" className="text-oxide">
          {say('check.pages-cannot-be-shown')}
        </p>
      )}
      {shown && shown.pages > 1 && (
        <div className="flex items-center gap-3 pb-2">
          <Button disabled={shown.page <= 1} onClick={() => setWanted(shown.page - 1)}>
            {say('check.page-before')}
          </Button>
          <span>{say('check.page-of', { page: shown.page, pages: shown.pages })}</span>
          <Button disabled={shown.page >= shown.pages} onClick={() => setWanted(shown.page + 1)}>
            {say('check.page-after')}
          </Button>
        </div>
      )}
      {shown && shown.bands.length === 0 && (
        <p className="pb-2 text-soft">{say('check.looks-the-same')}</p>
      )}
      <div className="grid grid-cols-2 gap-5">
        {[
          { canvas: left, title: say('check.as-it-was', { by }) },
          { canvas: right, title: say('check.as-it-is-now') },
        ].map(({ canvas, title }) => (
          <figure key={title}>
            <figcaption className="pb-1 text-soft">{title}</figcaption>
            <div className="relative shadow-page">
              <canvas ref={canvas} aria-label={title} className="block w-full bg-[#fff]" />
              {shown?.bands.map(({ top, bottom }) => (
                <span
                  key={top}
                  aria-hidden="true"
                  data-differs=""
                  className="absolute inset-x-0 border-y border-oxide bg-oxide/10"
                  style={{ top: `${top * 100}%`, height: `${(bottom - top) * 100}%` }}
                />
              ))}
            </div>
          </figure>
        ))}
      </div>
    </div>
  );
}
