import type { ReactNode } from 'react';
import type { Line } from './printed';

/** Something that a margin tells of: what a datum, a rule or a clause put on the pages, or who acts there. */
export type Thing = {
  key: string;
  /** In the coordinator's words. */
  label: string;
  /** How its note looks, where its label alone is not enough. */
  body?: ReactNode;
  /** Its lines on all pages. */
  lines: Line[];
  /** Whether it stands over whole lines, as a passage does: such ones have brackets. */
  spans: boolean;
  /** The cases of one choice, each with its own lines: brackets side by side under one note. */
  cases?: Case[];
};

export type Case = { key: string; label: string; lines: Line[] };

/** Where pages stand in one column, in CSS pixels from its top. */
export type Column = {
  width: number;
  pages: { top: number; height: number; size: { width: number; height: number } }[];
  height: number;
};

export const PAGE_GAP = 20;

export function columnOf(sizes: { width: number; height: number }[], width: number): Column {
  let top = 0;
  const pages = sizes.map((size) => {
    const page = { top, height: (width / size.width) * size.height, size };
    top += page.height + PAGE_GAP;
    return page;
  });
  return { width, pages, height: Math.max(0, top - PAGE_GAP) };
}

/** Where a line stands in the column; the middle of what is printed there. */
export function heightOf(column: Column, line: Line): number {
  const page = column.pages[line.page - 1];
  if (!page) return 0;
  return page.top + (1 - (line.y + line.height / 2) / page.size.height) * page.height;
}

/**
 * The places of a thing from the first on: its note stands at the first, ticks at the others. Lines that follow one another
 * closely are one place, such as a value that goes on in the next line.
 */
export function placesOf({ lines, spans }: Pick<Thing, 'lines' | 'spans'>): Line[] {
  const sorted = [...lines].sort((a, b) => a.page - b.page || b.y - a.y || a.x - b.x);
  if (spans) {
    return sorted.filter((line, i) => i === 0 || sorted[i - 1]?.page !== line.page);
  }
  return sorted.filter((line, i) => {
    const before = sorted[i - 1];
    const goesOn =
      before?.page === line.page &&
      before.y - line.y > 0 &&
      before.y - line.y < 1.8 * line.height &&
      line.x < before.x;
    return !goesOn;
  });
}
