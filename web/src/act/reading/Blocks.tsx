import { Fragment, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { useSay } from '../../messages/useSay';

type Block = Schemas['Block'];
type Row = Schemas['Row'];

/** How a stretch that is more than words is shown: a signing field's place, a picture. */
export type Stretches = (stretch: Schemas['Stretch'], key: number) => ReactNode;

/** Blocks of a text one after the other; where a page begins, its number stands beside. */
export function Blocks({
  blocks,
  stretch,
  top,
  from = 0,
}: {
  blocks: Block[];
  stretch: Stretches;
  /** Which heading of the page its highest ones are. */
  top: number;
  /** The page that was being read before. */
  from?: number;
}) {
  const lists = grouped(blocks);
  const begins = lists.map((group, i) => {
    const before = lists.slice(0, i).flat();
    const last = Math.max(from, ...before.map(({ page }) => page));
    const page = group[0]?.page ?? 0;
    return page > last && page > 1 ? page : 0;
  });
  return lists.map((group, i) => (
    <Fragment key={i}>
      {begins[i] !== 0 && <PageMark page={begins[i] ?? 0} />}
      {group[0]?.kind === 'ITEM' ? (
        <ul className="my-2 list-none">
          {group.map((item, j) => (
            <li
              key={j}
              className="flex gap-2 py-1"
              style={{ marginLeft: `${Math.min(4, Math.max(0, item.level - 1)) * 1.25}rem` }}
            >
              <Label text={item.label} />
              <div dir="auto" className="min-w-0 break-words">
                <Line block={item} stretch={stretch} />
              </div>
            </li>
          ))}
        </ul>
      ) : (
        group.map((block, j) => <One key={j} block={block} stretch={stretch} top={top} />)
      )}
    </Fragment>
  ));
}

/** Items that follow one another are one list. */
function grouped(blocks: Block[]): Block[][] {
  const groups: Block[][] = [];
  for (const block of blocks) {
    const last = groups[groups.length - 1];
    if (block.kind === 'ITEM' && last?.[0]?.kind === 'ITEM') last.push(block);
    else groups.push([block]);
  }
  return groups;
}

function PageMark({ page }: { page: number }) {
  const words = useSay();
  return (
    <p className="mt-4 border-t border-dashed border-rule pt-1 text-right text-sm text-soft">
      {words.say('read.page', { page })}
    </p>
  );
}

function Label({ text }: { text: string }) {
  return text ? <span className="min-w-6 shrink-0 tabular-nums">{text} </span> : null;
}

function Line({ block, stretch }: { block: Block; stretch: Stretches }) {
  return block.stretches.map((one, i) => {
    if (one.field || one.picture > 0) return <Fragment key={i}>{stretch(one, i)}</Fragment>;
    const looks = `${one.strong ? 'font-semibold' : ''} ${one.slanted ? 'italic' : ''}`.trim();
    if (one.link)
      return (
        <a key={i} className={looks} href={one.link} target="_blank" rel="noreferrer">
          {one.text}
        </a>
      );
    return looks ? (
      <span key={i} className={looks}>
        {one.text}
      </span>
    ) : (
      one.text
    );
  });
}

function One({ block, stretch, top }: { block: Block; stretch: Stretches; top: number }) {
  if (block.kind === 'TABLE')
    return <Table rows={block.rows} page={block.page} stretch={stretch} top={top} />;
  const line = <Line block={block} stretch={stretch} />;
  if (block.kind === 'HEADING') {
    const Heading = `h${Math.min(6, block.level + top - 1)}` as 'h2' | 'h3' | 'h4' | 'h5' | 'h6';
    return (
      <Heading
        dir="auto"
        className={`mt-5 mb-1 font-serif ${block.level === 1 ? 'text-xl' : 'text-lg'}`}
      >
        {block.label && `${block.label} `}
        {line}
      </Heading>
    );
  }
  if (block.kind === 'NOTE')
    return (
      <p role="note" dir="auto" className="my-2 border-l border-rule pl-3 text-base text-soft">
        {block.label && `${block.label} `}
        {line}
      </p>
    );
  // a question with its input is no part of a paragraph
  const Words = block.stretches.some(({ field }) => field) ? 'div' : 'p';
  return block.label ? (
    <div className="my-2 flex gap-2">
      <Label text={block.label} />
      <Words dir="auto" className="min-w-0 break-words">
        {line}
      </Words>
    </div>
  ) : (
    <Words
      dir="auto"
      className="my-2 break-words"
      style={{ marginLeft: `${Math.min(4, block.level) * 1.25}rem` }}
    >
      {line}
    </Words>
  );
}

/** A table where there is room for one; on a narrow screen its rows one after the other, each value under its column's name. */
function Table({
  rows,
  page,
  stretch,
  top,
}: {
  rows: Row[];
  page: number;
  stretch: Stretches;
  top: number;
}) {
  const first = rows[0];
  const headed = rows.length > 1 && !!first && first.cells.every(({ heading }) => heading);
  const heads = headed ? first.cells.map(({ blocks }) => wordsOf(blocks)) : [];
  return (
    <table role="table" className="my-3 block w-full border-t border-rule sm:table">
      <tbody role="rowgroup" className="block sm:table-row-group">
        {rows.map((row, i) => (
          <tr
            key={i}
            role="row"
            className={`border-b border-rule py-2 sm:table-row ${headed && i === 0 ? 'sr-only sm:not-sr-only' : 'block'}`}
          >
            {row.cells.map((cell, j) => {
              const Cell = cell.heading ? 'th' : 'td';
              const head = i > 0 && sameColumns(first, row) ? heads[j] : undefined;
              return (
                <Cell
                  key={j}
                  role={cell.heading ? (i === 0 ? 'columnheader' : 'rowheader') : 'cell'}
                  colSpan={cell.columns}
                  rowSpan={cell.rows}
                  className="block py-1 text-left align-top font-normal break-words sm:table-cell sm:px-2"
                >
                  {head && (
                    <span aria-hidden="true" className="block text-sm text-soft sm:hidden">
                      {head}
                    </span>
                  )}
                  <Blocks
                    blocks={cell.blocks}
                    stretch={stretch}
                    top={top}
                    from={row.page || page}
                  />
                </Cell>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Whether each cell stands in the column of the head's, as far as the widths tell. */
function sameColumns(head: Row | undefined, row: Row): boolean {
  return (
    head?.cells.length === row.cells.length &&
    row.cells.every(({ columns }, i) => columns === head.cells[i]?.columns)
  );
}

function wordsOf(blocks: Block[]): string {
  return blocks
    .flatMap(({ label, stretches }) => [label, ...stretches.map(({ text }) => text)])
    .join(' ')
    .trim();
}
