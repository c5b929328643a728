import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { calledIn } from '../signingFields/kinds';
import { Margin, type Note } from './Margins';
import { PagesView, placeOf } from './PagesView';
import { Ordinal, weaveOf } from './weave';
import type { Words } from './words';

export type Datum = { name: string; label: string; text: string };
export type Actor = { party: string; label: string };

/** The pages with their margins: at the left what data does there, at the right who acts there. */
export function AnnotatedPages({
  url,
  pages,
  data,
  actors,
  onWords,
}: {
  url: string;
  pages: Schemas['Pages'];
  data: Datum[];
  actors: Actor[];
  /** Makes the words selectable, and is told which are. */
  onWords?: (words: Words | undefined) => void;
}) {
  const words = useSay();
  const ordinal = (party: string) => actors.findIndex((actor) => actor.party === party) + 1;
  const labelOf = (party: string) =>
    actors.find((actor) => actor.party === party)?.label ?? `${party} (nobody)`;
  return (
    <PagesView
      url={url}
      pages={pages}
      onWords={onWords}
      needles={data.map((datum) => ({ key: datum.name, text: datum.text }))}
      over={(page, matches) => (
        <>
          {matches.map((match, i) => (
            <span
              key={i}
              aria-hidden="true"
              className="pointer-events-none absolute border-b border-[#48617a] bg-[#48617a]/10"
              style={{
                left: `${match.left}%`,
                top: `${match.top}%`,
                width: `${match.width}%`,
                height: `${match.height}%`,
              }}
            />
          ))}
          {pages.fields
            .filter((field) => field.page === page)
            .map((field) => (
              <span
                key={field.field.name}
                aria-hidden="true"
                className="pointer-events-none absolute border border-dashed border-[#1d2726]/60 text-[#1d2726]/25"
                style={{
                  ...placeOf(field, pages.sizes[page - 1] ?? { width: 595, height: 842 }),
                  background: weaveOf(ordinal(field.field.party)),
                }}
              />
            ))}
        </>
      )}
      beside={(page, height, matches) => ({
        left: (
          <Margin
            side="left"
            label={say('page.data-on-page', { page })}
            notes={dataNotes(data, matches, height)}
          />
        ),
        right: (
          <Margin
            side="right"
            label={say('page.who-acts-on-page', { page })}
            notes={pages.fields
              .filter((field) => field.page === page)
              .map((field) => {
                const size = pages.sizes[page - 1] ?? { width: 595, height: 842 };
                return {
                  key: field.field.name,
                  wish: (1 - (field.y + field.height) / size.height) * height,
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
                };
              })}
          />
        ),
      })}
    />
  );
}

function dataNotes(data: Datum[], matches: { key: string; top: number }[], height: number): Note[] {
  return data.flatMap((datum) => {
    const first = matches.find((match) => match.key === datum.name);
    if (!first) return [];
    return [
      {
        key: datum.name,
        wish: (first.top / 100) * height - 4,
        height: 24,
        body: <span className="block truncate text-soft">{datum.label}</span>,
      },
    ];
  });
}
