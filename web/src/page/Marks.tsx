import type { Schemas } from '../api/client';
import { placeOf } from './PagesView';
import { brackets, type Line } from './printed';
import type { Thing } from './thing';
import { weaveOf } from './weave';

/**
 * A fine line under each value, and a bracket along the page's edge for what stands over whole lines. Cases of one choice that
 * follow one another are set apart by a rule with the case's name.
 */
export function Marks({
  things,
  page,
  size,
  open,
}: {
  things: Thing[];
  page: number;
  size: Schemas['Size'];
  /** The thing whose card is open: its places are marked more strongly. */
  open: Thing | undefined;
}) {
  const here = (lines: Thing['lines']) => lines.filter((line) => line.page === page);
  const spanning = things.flatMap((thing) =>
    thing.spans
      ? (thing.cases ?? [thing]).map(({ key, lines }) => ({ key, lines: here(lines), thing }))
      : [],
  );
  return (
    <>
      {things
        .filter((thing) => !thing.spans)
        .flatMap((thing) => here(thing.lines).map((line) => ({ line, chosen: thing === open })))
        .map(({ line, chosen }, i) => (
          <span
            key={i}
            aria-hidden="true"
            className={`pointer-events-none absolute border-b border-[#48617a] ${chosen ? 'border-b-2 bg-[#48617a]/30' : 'bg-[#48617a]/10'}`}
            style={placeOf(line, size)}
          />
        ))}
      {brackets(spanning).map((span) => {
        const chosen = spanning.some(({ key, thing }) => thing === open && span.keys.includes(key));
        return (
          <span
            key={span.keys.join(' ')}
            aria-hidden="true"
            className={`pointer-events-none absolute border-[#48617a] ${chosen ? 'border-y-2 border-l-4' : 'border-y border-l'}`}
            style={{
              left: `${1 + span.depth * 1.2}%`,
              width: '0.8%',
              top: `${(1 - span.top / size.height) * 100}%`,
              height: `${((span.top - span.bottom) / size.height) * 100}%`,
            }}
          />
        );
      })}
      {caseMarks(things, here).map(({ top, right, label, within }) => (
        <span
          key={`${top} ${label}`}
          aria-hidden="true"
          className={`pointer-events-none absolute right-[0.8%] left-[5%] border-[#48617a]/40 ${within ? '' : 'border-t'}`}
          style={{ top: `${(1 - top / size.height) * 100}%` }}
        >
          <span
            className="absolute top-0.5 right-0 text-[0.62rem] leading-[1.1] wrap-anywhere text-[#48617a]"
            style={{ left: `${((right + 10) / size.width - 0.05) * (100 / 0.942)}%` }}
          >
            {label}
          </span>
        </span>
      ))}
    </>
  );
}

type CaseMark = { top: number; right: number; label: string; within: boolean };

/** Where cases begin on a page, and how far to the right their words go; those within one line are named together. */
export function caseMarks(things: Thing[], here: (lines: Line[]) => Line[]): CaseMark[] {
  const marks: CaseMark[] = [];
  for (const one of things.flatMap((thing) => (thing.spans ? (thing.cases ?? []) : []))) {
    const lines = here(one.lines);
    if (!lines.length) continue;
    const top = Math.max(...lines.map((line) => line.y + line.height));
    const right = Math.max(...lines.map((line) => line.x + line.width));
    const last = marks.at(-1);
    if (last && Math.abs(last.top - top) < (lines[0]?.height ?? 0)) {
      last.label += ` | ${one.label}`;
      last.within = true;
      last.right = Math.max(last.right, right);
    } else marks.push({ top, right, label: one.label, within: false });
  }
  return marks;
}

/** The room of each signing field, in its party's weave; what has been signed is left to be read. */
export function SigningMarks({
  fields,
  page,
  size,
  actors,
  signed = false,
}: {
  fields: Schemas['Pages']['fields'];
  page: number;
  size: Schemas['Size'];
  actors: { party: string }[];
  signed?: boolean | undefined;
}) {
  return fields
    .filter((field) => field.page === page)
    .map((field) => {
      const ordinal = actors.findIndex((actor) => actor.party === field.field.party) + 1;
      return (
        <span
          key={field.field.name}
          aria-hidden="true"
          className="pointer-events-none absolute border border-dashed border-[#1d2726]/60 text-[#1d2726]/25"
          style={{
            ...placeOf(field, size),
            ...(!signed && { background: weaveOf(ordinal) }),
          }}
        />
      );
    });
}
