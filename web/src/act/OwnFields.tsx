import { Fragment, useEffect, useRef, useState, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { placeOf } from '../page/PagesView';
import type { Placed } from '../signingFields/kind';
import { kinds } from '../signingFields/kinds';
import { useSay } from '../messages/useSay';
import { Button } from '../ui/parts';
import { AskedField } from './AskedField';
import { canFill, type Filling } from './filling';
import { INPUTS, onPage } from './open';
import type { SigningPage } from './useAct';

/** The participant's own fields on the page, with what they have filled in so far. */
export function OwnFields({
  page,
  pages,
  number,
  filling,
}: {
  page: SigningPage;
  pages: Schemas['Pages'];
  number: number;
  filling: Filling;
}) {
  const words = useSay();
  const [editing, setEditing] = useState('');
  const { printed: values, mark, initials } = filling;
  const size = pages.sizes[number - 1];
  if (!size) return null;
  return pages.fields
    .filter((placed) => placed.page === number && page.parts.includes(placed.field.party))
    .map((placed) => {
      const { type, name, sameAs } = placed.field;
      const shown = kinds[type.kind].shown({
        answer: values[sameAs || name] ?? '',
        name: page.name,
        date: page.date,
        mark: (type.kind === 'initials' ? initials : mark)?.picture,
        language: page.documentLanguage,
      });
      const asked = canFill(page)
        ? filling.asked.find((one) => one.name === (sameAs || name))
        : undefined;
      const place = placeOf(placed, size);
      return (
        <Fragment key={name}>
          <span
            aria-hidden="true"
            className="pointer-events-none absolute overflow-hidden border-b-2 border-[#1d2726] bg-[#1d2726]/7 whitespace-nowrap text-[#1d2726]"
            style={{ ...place, containerType: 'size' }}
          >
            {'picture' in shown ? (
              <img
                src={`data:image/png;base64,${shown.picture}`}
                alt=""
                className="h-full w-full object-contain object-left"
              />
            ) : (
              <span
                style={shown.lines ? fittingLines(shown.text, placed) : fitting(shown.text, placed)}
              >
                {shown.text}
              </span>
            )}
          </span>
          {asked && (
            <button
              type="button"
              className="absolute min-h-6 min-w-6 cursor-text"
              style={place}
              aria-expanded={editing === name}
              onClick={() => setEditing(editing === name ? '' : name)}
            >
              <span className="sr-only">{words.say('read.fill', { label: asked.label })}</span>
            </button>
          )}
          {asked && editing === name && (
            <Editor at={place} onClose={() => setEditing('')}>
              <AskedField one={asked} at={onPage(number)} filling={filling} />
            </Editor>
          )}
        </Fragment>
      );
    });
}

/** A question beside its place on the page. */
function Editor({
  at,
  onClose,
  children,
}: {
  at: { left: string; top: string; height: string };
  onClose: () => void;
  children: ReactNode;
}) {
  const words = useSay();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const from = document.activeElement;
    box.current?.querySelector<HTMLElement>(INPUTS)?.focus();
    return () => {
      if (from instanceof HTMLElement) from.focus({ preventScroll: true });
    };
  }, []);
  return (
    <div
      ref={box}
      className="absolute z-10 flex w-72 max-w-full flex-col gap-2 border border-ink bg-sheet p-3 text-base text-ink"
      style={{
        left: `min(${at.left}, max(0px, 100% - 18rem))`,
        // within the page: above its place where that is far down
        ...(parseFloat(at.top) > 55
          ? { bottom: `calc(100% - ${at.top} + 2px)` }
          : { top: `calc(${at.top} + ${at.height} + 2px)` }),
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose();
      }}
    >
      {children}
      <Button className="min-h-11 self-start" onClick={onClose}>
        {words.say('read.close')}
      </Button>
    </div>
  );
}

/** Text as large as it will be printed, 10 or 12 points in a box of so many, at whatever size the page is shown. */
function fitting(text: string, placed: Placed) {
  const points = placed.height < 23 ? 10 : 12;
  const widest = (placed.width * 1.9) / Math.max(1, text.length);
  const share = (Math.min(points, widest, placed.height) / placed.height) * 100;
  return { display: 'block', fontSize: `${share}cqh`, lineHeight: '100cqh' };
}

/** Many lines, as large as they fit: about as the printed page has them. */
function fittingLines(text: string, { width, height }: Placed) {
  let points = 12;
  const taken = () =>
    text
      .split('\n')
      .reduce((sum, line) => sum + Math.max(1, Math.ceil((line.length * points * 0.5) / width)), 0);
  while (points > 4 && taken() * points * 1.2 > height) points -= 1;
  return {
    display: 'block',
    whiteSpace: 'pre-wrap' as const,
    fontSize: `${(points / height) * 100}cqh`,
    lineHeight: 1.2,
  };
}
