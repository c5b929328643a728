import { useEffect, useEffectEvent, useMemo, useRef, type ReactNode } from 'react';
import { useSay } from '../messages/useSay';
import { Margin, dataOnPage, whoActsOnPage, type MarginHead } from './Margin';
import { Marks, SigningMarks } from './Marks';
import { useMeasured } from './near';
import { PageSheet } from './PageSheet';
import { PagesFailed } from './PagesView';
import { placeAt } from './placeAt';
import { columnOf, heightOf, placesOf, type Thing } from './thing';
import { SigningPlaces, type Placing } from './SigningPlaces';
import { useOpened, type Sheet } from './useOpened';
import { WordsLayer, type Chosen } from './WordsLayer';

export type Actor = { party: string; label: string };

/** What of a margin's things is open, and how that is changed. */
export type Opening = {
  key: string | undefined;
  /** Which of its places to go to, from 0; without it the page stays where it is. */
  place?: number | undefined;
  onOpen: (key: string | undefined, place?: number) => void;
  card: (key: string) => ReactNode;
};

/** What words on the pages are chosen for. */
export type Choosing = {
  chosen: Chosen | undefined;
  onChosen: (chosen: Chosen | undefined) => void;
  /** Stands at the words that are chosen. */
  acts: ReactNode;
  onAct: () => void;
};

type Props = {
  sheet: Sheet;
  /** What the margins tell of, from what is known of the pages that are shown. */
  left: (sheet: Sheet) => Thing[];
  right: (sheet: Sheet) => Thing[];
  actors: Actor[];
  leftHead?: MarginHead;
  rightHead?: MarginHead;
  opening?: Opening | undefined;
  choosing?: Choosing | undefined;
  /** How places of signing fields are changed; without it they are only shown. */
  placing?: Placing | undefined;
  /** Whether the usual marks are left out. */
  bare?: boolean;
  /** What stands over a page besides. @param width of the page in CSS pixels */
  over?:
    ((page: number, size: Sheet['pages']['sizes'][number], width: number) => ReactNode) | undefined;
  /** Whether everyone has signed. */
  signed?: boolean | undefined;
  /** Told when the pages couldn't be opened: they may be made again just now. */
  onFailed?: (() => void) | undefined;
};

/** The pages with their margins: at the left what data does there, at the right who acts there. */
export function AnnotatedPages(props: Props) {
  const {
    sheet,
    left,
    right,
    actors,
    leftHead,
    rightHead,
    opening,
    choosing,
    placing,
    over,
    bare,
    signed,
    onFailed,
  } = props;
  const words = useSay();
  const { sheet: shown, document, failed } = useOpened(sheet);
  const box = useRef<HTMLDivElement>(null);
  const { ref: measured, width } = useMeasured();
  const sizes = shown.pages.sizes;
  const column = useMemo(() => columnOf(sizes, width), [sizes, width]);
  const data = useMemo(() => left(shown), [left, shown]);
  const acting = useMemo(() => right(shown), [right, shown]);
  const open = [...data, ...acting].find((thing) => thing.key === opening?.key);
  useGoTo(box, column, open, opening?.place);
  const margin = { column, open: opening?.key, onOpen: opening?.onOpen, card: opening?.card };
  const tellFailed = useEffectEvent(() => onFailed?.());
  useEffect(() => {
    if (failed) tellFailed();
  }, [failed]);
  return (
    <div className="grid grid-cols-[minmax(14rem,1fr)_minmax(26rem,38rem)_minmax(14rem,1fr)] items-start">
      <Margin side="left" label={dataOnPage} things={data} head={leftHead} {...margin} />
      <div ref={box} data-pages="" data-shown={shown.url}>
        {/* the margins stay: something may be being typed there */}
        {failed && <PagesFailed />}
        <div ref={measured} className="flex flex-col gap-5">
          {sizes.map((size, i) => {
            const page = i + 1;
            return (
              <PageSheet
                key={i}
                document={document}
                number={page}
                pages={sizes.length}
                size={size}
                width={width}
                words={
                  choosing
                    ? (drawn) => (
                        <WordsLayer
                          {...drawn}
                          url={shown.url}
                          onChosen={choosing.onChosen}
                          onAct={choosing.onAct}
                          onPoint={(at, x, y) => {
                            const found = placeAt([...data, ...acting], shown, at, x, y);
                            if (found && opening) opening.onOpen(found);
                            return found !== undefined && opening !== undefined;
                          }}
                        />
                      )
                    : undefined
                }
              >
                {over?.(page, size, width)}
                {!bare && <Marks things={data} page={page} size={size} open={open} />}
                {bare ? null : placing ? (
                  <SigningPlaces
                    fields={shown.pages.fields}
                    page={page}
                    size={size}
                    actors={actors}
                    open={opening?.key}
                    placing={placing}
                  />
                ) : (
                  <SigningMarks
                    fields={shown.pages.fields}
                    page={page}
                    size={size}
                    actors={actors}
                    signed={signed}
                  />
                )}
                {choosing?.chosen?.page === page && (
                  <ChosenHere chosen={choosing.chosen}>{choosing.acts}</ChosenHere>
                )}
              </PageSheet>
            );
          })}
          {!document && !failed && (
            <p role="status" className="text-soft">
              {words.say('page.opening-pages')}
            </p>
          )}
        </div>
      </div>
      <Margin side="right" label={whoActsOnPage} things={acting} head={rightHead} {...margin} />
    </div>
  );
}

/** The words that are chosen stay marked while something is typed about them, and what can be done stands beneath. */
function ChosenHere({ chosen, children }: { chosen: Chosen; children: ReactNode }) {
  const last = chosen.rects.at(-1);
  if (!last) return null;
  return (
    <>
      {chosen.rects.map((rect, i) => (
        <span
          key={i}
          aria-hidden="true"
          className="pointer-events-none absolute bg-[#48617a]/30"
          style={{
            left: `${rect.left * 100}%`,
            top: `${rect.top * 100}%`,
            width: `${rect.width * 100}%`,
            height: `${rect.height * 100}%`,
          }}
        />
      ))}
      <div
        className="absolute z-20 w-[26rem]"
        style={{
          left: `clamp(0px, ${last.left * 100}%, 100% - 26rem)`,
          top: `calc(${(last.top + last.height) * 100}% + 6px)`,
        }}
      >
        {children}
      </div>
    </>
  );
}

/** Goes to a place of what was opened, when one is asked for. */
function useGoTo(
  box: React.RefObject<HTMLElement | null>,
  column: ReturnType<typeof columnOf>,
  thing: Thing | undefined,
  place: number | undefined,
) {
  const at = thing && place !== undefined ? placesOf(thing)[place] : undefined;
  const height = at && column.width ? heightOf(column, at) : undefined;
  useEffect(() => {
    const top = box.current?.getBoundingClientRect().top;
    if (height === undefined || top === undefined) return;
    const y = top + window.scrollY + height - window.innerHeight / 3;
    window.scrollTo({ top: Math.max(0, y) });
  }, [box, height]);
}
