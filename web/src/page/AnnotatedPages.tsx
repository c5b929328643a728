import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { calledIn } from '../signingFields/kinds';
import { Margin, type Note } from './Margins';
import { PagesView, placeOf } from './PagesView';
import { brackets, onPage, type Line } from './printed';
import { Ordinal, weaveOf } from './weave';
import type { Words } from './words';

/** What the left margin names. @property spans whether it stands over whole lines, as a passage does */
export type Datum = { key: string; label: string; spans?: boolean };
export type Actor = { party: string; label: string };

const usual = { width: 595, height: 842 };

/** The pages with their margins: at the left what data does there, at the right who acts there. */
export function AnnotatedPages({
  url,
  pages,
  printed,
  data,
  actors,
  onWords,
}: {
  url: string;
  pages: Schemas['Pages'];
  /** What stands where, as the merge has said. */
  printed: Schemas['Printed'][];
  data: Datum[];
  actors: Actor[];
  /** Makes the words selectable, and is told which are. */
  onWords?: (words: Words | undefined) => void;
}) {
  const words = useSay();
  const ordinal = (party: string) => actors.findIndex((actor) => actor.party === party) + 1;
  const labelOf = (party: string) =>
    actors.find((actor) => actor.party === party)?.label ?? `${party} (nobody)`;
  const sizeOf = (page: number) => pages.sizes[page - 1] ?? usual;
  return (
    <PagesView
      url={url}
      pages={pages}
      onWords={onWords}
      over={(page) => (
        <>
          <Marks lines={onPage(printed, page)} data={data} size={sizeOf(page)} />
          {pages.fields
            .filter((field) => field.page === page)
            .map((field) => (
              <span
                key={field.field.name}
                aria-hidden="true"
                className="pointer-events-none absolute border border-dashed border-[#1d2726]/60 text-[#1d2726]/25"
                style={{
                  ...placeOf(field, sizeOf(page)),
                  background: weaveOf(ordinal(field.field.party)),
                }}
              />
            ))}
        </>
      )}
      beside={(page, height) => ({
        left: (
          <Margin
            side="left"
            label={say('page.data-on-page', { page })}
            {...dataNotes(data, onPage(printed, page), sizeOf(page).height, height)}
          />
        ),
        right: (
          <Margin
            side="right"
            label={say('page.who-acts-on-page', { page })}
            notes={pages.fields
              .filter((field) => field.page === page)
              .map((field) => ({
                key: field.field.name,
                wish: (1 - (field.y + field.height) / sizeOf(page).height) * height,
                height: 26,
                body: (
                  <span className="flex items-center gap-2">
                    <Ordinal ordinal={ordinal(field.field.party)} />
                    <span className="truncate">
                      {labelOf(field.field.party)}{' '}
                      <span className="text-soft">{calledIn(words, field.field)}</span>
                    </span>
                  </span>
                ),
              }))}
          />
        ),
      })}
    />
  );
}

/** A fine line under each value, and a bracket along the page's edge for what stands over whole lines. */
function Marks({
  lines,
  data,
  size,
}: {
  lines: Map<string, Line[]>;
  data: Datum[];
  size: Schemas['Size'];
}) {
  return (
    <>
      {data
        .filter((datum) => !datum.spans)
        .flatMap((datum) => lines.get(datum.key) ?? [])
        .map((line, i) => (
          <span
            key={i}
            aria-hidden="true"
            className="pointer-events-none absolute border-b border-[#48617a] bg-[#48617a]/10"
            style={placeOf(line, size)}
          />
        ))}
      {brackets(lines, spanning(data)).map((span) => (
        <span
          key={span.keys.join(' ')}
          aria-hidden="true"
          className="pointer-events-none absolute border-y border-l border-[#48617a]"
          style={{
            left: `${1 + span.depth * 1.2}%`,
            width: '0.8%',
            top: `${(1 - span.top / size.height) * 100}%`,
            height: `${((span.top - span.bottom) / size.height) * 100}%`,
          }}
        />
      ))}
    </>
  );
}

const spanning = (data: Datum[]) => data.filter((datum) => datum.spans).map((datum) => datum.key);

/** One note for each thing at its first place on the page, and a tick at each further one. */
function dataNotes(data: Datum[], lines: Map<string, Line[]>, tall: number, height: number) {
  const down = (line: Line) => (1 - (line.y + line.height) / tall) * height;
  const notes: Note[] = [];
  const ticks: number[] = [];
  const note = (key: string, top: number, label: string) =>
    notes.push({
      key,
      wish: top - 4,
      height: 24,
      body: <span className="block truncate text-soft">{label}</span>,
    });
  for (const datum of data.filter((one) => !one.spans)) {
    const [first, ...further] = lines.get(datum.key) ?? [];
    if (!first) continue;
    note(datum.key, down(first), datum.label);
    ticks.push(...further.map((line) => down(line) + 8));
  }
  const labels = new Map(data.map((datum) => [datum.key, datum.label]));
  for (const { keys, top } of brackets(lines, spanning(data))) {
    const label = keys.map((key) => labels.get(key)).join(', ');
    note(keys.join(' '), (1 - top / tall) * height, label);
  }
  return { notes, ticks };
}
