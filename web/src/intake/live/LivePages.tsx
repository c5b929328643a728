import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef } from 'react';
import type { Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';
import { SigningMarks } from '../../page/Marks';
import { useMeasured } from '../../page/near';
import { PageSheet } from '../../page/PageSheet';
import { PagesFailed, placeOf } from '../../page/PagesView';
import { useOpened, type Sheet } from '../../page/useOpened';
import { Trouble, Waiting } from '../../ui/parts';
import { printedBy, type AnswerAt } from './answerAt';
import { ChooseDocument } from './ChooseDocument';
import { liveMarks, livePages, type LiveMade, type LiveOf, type SoFar } from './source';
import { useLive } from './useLive';
import { lineToShow } from './whatChanged';

type Made = LiveMade & { values: Record<string, string>; data: Uint8Array };

/** The true pages beside a form, as far as its answers go: they follow what is typed. */
export function LivePages({
  of,
  soFar,
  leads,
  at,
  onGo,
  onDocument,
}: {
  of: LiveOf;
  soFar: SoFar;
  /** Whether words that were printed lead to an answer of the form. */
  leads: (at: AnswerAt) => boolean;
  /** The answer that has the focus. */
  at: AnswerAt | undefined;
  /** Goes to the answer that printed the words that were touched. */
  onGo: (at: AnswerAt) => void;
  onDocument: (id: string) => void;
}) {
  const words = useSay();
  const live = useLive(async (wanted): Promise<Made> => {
    const body = JSON.parse(wanted) as SoFar;
    const pages = await livePages(of, body);
    return { ...pages, values: body.values, data: bytesOf(pages.pdf) };
  }, JSON.stringify(soFar));
  const { made } = live;
  return (
    <section
      aria-label={words.say('form.live-pages')}
      aria-busy={live.of !== JSON.stringify(soFar)}
      className="sticky top-2 flex max-h-[calc(100dvh-1rem)] min-w-0 flex-col"
    >
      {made && (
        <ChooseDocument documents={made.documents} shown={made.document} onShow={onDocument} />
      )}
      <Trouble error={live.error} />
      {made ? (
        <Pages made={made} at={at} leads={leads} onGo={onGo} />
      ) : (
        !live.error && <Waiting what={words.say('form.live-making')} />
      )}
    </section>
  );
}

function Pages({
  made,
  at,
  leads,
  onGo,
}: {
  made: Made;
  at: AnswerAt | undefined;
  leads: (at: AnswerAt) => boolean;
  onGo: (at: AnswerAt) => void;
}) {
  const words = useSay();
  const marks = useQuery({
    queryKey: ['live-marks', made.key],
    queryFn: () => liveMarks(made.key),
    staleTime: Infinity,
    gcTime: 0,
  });
  // the pages are shown at once, and what stands where on them as soon as that is known
  const wanted = useMemo(
    () => ({
      url: made.key,
      data: made.data,
      pages: marks.data?.pages ?? { sizes: made.sizes, fields: [] },
      printed: marks.data?.printed ?? [],
      values: made.values,
    }),
    [made, marks.data],
  );
  const { sheet, document, failed } = useOpened(wanted);
  const shown = sheet as typeof wanted;
  const { ref, width } = useMeasured();
  const box = useRef<HTMLDivElement>(null);
  const before = useRef<typeof wanted>(undefined);
  const actors = useMemo(
    () =>
      [...new Set(shown.pages.fields.map(({ field }) => field.party))].map((party) => ({ party })),
    [shown],
  );
  useEffect(() => {
    if (!shown.printed.length) return;
    // the pages of a form that has just been opened stand at their beginning
    const line = lineToShow(before.current, shown);
    before.current = shown;
    if (line) bringIntoView(box.current, line, shown);
  }, [shown]);
  useEffect(() => {
    const line = at && shown.printed.find((one) => one.kind === 'VALUE' && printedBy(one, at));
    if (line) bringIntoView(box.current, line, shown);
    // only when another answer gets the focus: the pages themselves follow what has changed
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at]);
  if (failed) return <PagesFailed />;
  return (
    <div
      ref={box}
      role="group"
      aria-label={words.say('form.live-pages')}
      tabIndex={0}
      className="min-h-0 overflow-y-auto pb-4"
      data-shown={shown.url}
    >
      <div ref={ref} className="mx-auto flex max-w-[44rem] flex-col gap-4">
        {shown.pages.sizes.map((size, i) => (
          <PageSheet
            key={i}
            document={document}
            number={i + 1}
            pages={shown.pages.sizes.length}
            size={size}
            width={width}
          >
            {shown.printed
              .filter((one) => one.kind === 'VALUE' && one.page === i + 1 && leads(one))
              .map((one, position) => (
                <Answer key={position} one={one} size={size} at={at} onGo={onGo} />
              ))}
            <SigningMarks fields={shown.pages.fields} page={i + 1} size={size} actors={actors} />
          </PageSheet>
        ))}
      </div>
    </div>
  );
}

/** Words that an answer printed: touched, they lead to it. The form itself has all answers for the keyboard. */
function Answer({
  one,
  size,
  at,
  onGo,
}: {
  one: Schemas['Printed'];
  size: Schemas['Size'];
  at: AnswerAt | undefined;
  onGo: (at: AnswerAt) => void;
}) {
  const here = at !== undefined && printedBy(one, at);
  return (
    <span
      aria-hidden="true"
      data-printed={one.name}
      className={`absolute cursor-pointer border-b border-[#48617a] ${here ? 'border-b-2 bg-[#48617a]/25' : 'bg-[#48617a]/5 hover:bg-[#48617a]/20'}`}
      style={placeOf(one, size)}
      onClick={() => onGo({ name: one.name, list: one.list, items: one.items })}
    />
  );
}

/** Scrolls the pages so that a line stands in their upper third, unless it can be seen already. */
function bringIntoView(box: HTMLElement | null, line: Schemas['Printed'], made: Sheet) {
  const page = box?.querySelectorAll('section')[line.page - 1];
  const size = made.pages.sizes[line.page - 1];
  if (!box || !page || !size) return;
  const inPage = (1 - (line.y + line.height) / size.height) * page.offsetHeight;
  const top =
    page.getBoundingClientRect().top - box.getBoundingClientRect().top + box.scrollTop + inPage;
  const seen = top > box.scrollTop + 20 && top < box.scrollTop + box.clientHeight - 60;
  if (!seen) box.scrollTo({ top: Math.max(0, top - box.clientHeight / 3) });
}

/** Bytes of their Base64 (RFC 4648 §4), as the answer has them. */
const bytesOf = (base64: string) => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));
