import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { english, type Catalogue, type Code } from '../messages/catalogue';
import { useSay } from '../messages/useSay';

type Step = Schemas['RouteStep'];
/** What isn't known of a route that is only drawn may be left out. */
export type Slat = Omit<Step, 'seen' | 'undelivered'> & Partial<Pick<Step, 'seen' | 'undelivered'>>;

const codes = {
  OPEN: 'standing.open',
  TURN: 'standing.turn',
  SEALING: 'standing.sealing',
  DONE: 'standing.done',
  BROKEN: 'standing.broken',
} as const satisfies Record<Slat['standing'], Code>;

/** The slats of one stage share a row. */
export function rowsOf<S extends Slat>(slats: S[]): S[][] {
  const stages = [...new Set(slats.map((slat) => slat.stage))].sort((a, b) => a - b);
  return stages.map((stage) => slats.filter((slat) => slat.stage === stage));
}

/** In words what the drawing shows. */
export function sentence(slats: Slat[], sealed: boolean, words: Catalogue = english): string {
  const each = slats
    .map(
      (slat) =>
        `${slat.label}: ${words.say(slat.undelivered ? 'standing.undelivered' : codes[slat.standing])}`,
    )
    .join('; ');
  return sealed ? `${each}; ${words.say('standing.sealed')}` : each;
}

function shape(standing: Slat['standing'], x: number, y: number, w: number, h: number) {
  const key = `${x}-${y}`;
  const line = { stroke: 'currentColor', strokeWidth: 1, vectorEffect: 'non-scaling-stroke' };
  if (standing === 'DONE' || standing === 'SEALING') {
    return <rect key={key} x={x} y={y} width={w} height={h} fill="var(--color-moss)" />;
  }
  if (standing === 'BROKEN') {
    const part = w * 0.38;
    return (
      <g key={key} fill="var(--color-oxide)">
        <rect x={x} y={y} width={part} height={h} />
        <rect x={x + w - part} y={y} width={part} height={h} />
      </g>
    );
  }
  return (
    <g key={key} fill="none" className={standing === 'TURN' ? 'text-clay' : 'text-edge'}>
      {standing === 'TURN' && (
        <path
          d={`M${x} ${y}H${x + w * 0.62}L${x + w * 0.38} ${y + h}H${x}Z`}
          fill="var(--color-clay)"
        />
      )}
      <rect x={x} y={y} width={w} height={h} {...line} />
    </g>
  );
}

/** The route of an agreement as a slatted blind, in signing order from the top down. */
export function Blind({
  slats,
  sealed = false,
  width = 44,
  height = 20,
}: {
  slats: Slat[];
  sealed?: boolean;
  width?: number;
  height?: number;
}) {
  const words = useSay();
  const rows = rowsOf(slats);
  const step = height / Math.max(rows.length, 1);
  const gap = Math.min(3, step * 0.3);
  return (
    <svg
      role="img"
      aria-label={sentence(slats, sealed, words)}
      width={width + 10}
      height={height}
      viewBox={`0 0 ${width + 10} ${height}`}
      className="shrink-0"
    >
      {rows.map((row, i) => {
        const part = width / row.length;
        return row.map((slat, k) =>
          shape(
            slat.undelivered ? 'BROKEN' : slat.standing,
            k * part + 0.5,
            i * step + gap / 2,
            part - (k < row.length - 1 ? 2 : 0) - 1,
            Math.min(step - gap, 18),
          ),
        );
      })}
      {sealed && <circle cx={width + 6} cy={height - 4} r={3} fill="var(--color-moss)" />}
    </svg>
  );
}

/** The same with a line of words for each party: who, what, since when. */
export function BlindWithNames<S extends Slat>({
  slats,
  note,
  under,
}: {
  slats: S[];
  note: (slat: S) => string;
  /** What more there is to one of them. */
  under?: (slat: S) => ReactNode;
}) {
  const words = useSay();
  return (
    <ol className="flex flex-col gap-1">
      {rowsOf(slats).map((row, i) => (
        <li key={i} className="flex gap-3">
          <span className="w-4 shrink-0 pt-0.5 text-right text-soft">{i + 1}</span>
          <ul className="flex grow flex-wrap gap-2">
            {row.map((slat) => (
              <li key={slat.party} className="flex w-full items-start gap-2">
                <Blind slats={[slat]} width={30} height={18} />
                <div className="min-w-0 grow">
                  <strong className="font-medium">{slat.name || words.say('party.nobody')}</strong>{' '}
                  <span className="text-soft">
                    {slat.label}, {note(slat)}
                  </span>
                  {under?.(slat)}
                </div>
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
}

export function standingWords(slat: Slat): string {
  return english.say(slat.undelivered ? 'standing.undelivered' : codes[slat.standing]);
}
