import type { ReactNode } from 'react';
import { stacked } from './stack';

export type Note = { key: string; wish: number; height: number; body: ReactNode };

/** Notes in a margin, each at the height of its place on the page and joined to it by a hairline. */
export function Margin({
  side,
  label,
  notes,
  ticks = [],
}: {
  side: 'left' | 'right';
  label: string;
  notes: Note[];
  /** Heights of further places of what the notes name. */
  ticks?: number[];
}) {
  const tops = stacked(notes, 4);
  if (!notes.length) return null;
  const edge = side === 'left' ? '-right-3' : '-left-3';
  return (
    <>
      {ticks.map((top, i) => (
        <span
          key={i}
          aria-hidden="true"
          className={`absolute h-px w-2 bg-edge ${edge}`}
          style={{ top }}
        />
      ))}
      <ul aria-label={label} className="absolute inset-x-0 top-0">
        {notes.map((note, i) => (
          <li
            key={note.key}
            tabIndex={0}
            onKeyDown={walk}
            className={`absolute w-full px-2 py-1 leading-tight ${side === 'left' ? 'border-r-2 text-right' : 'border-l-2'} border-rule focus:border-slate`}
            style={{ top: tops[i] }}
          >
            <span aria-hidden="true" className={`absolute top-3 h-px w-3 bg-edge ${edge}`} />
            {note.body}
          </li>
        ))}
      </ul>
    </>
  );
}

function walk(event: React.KeyboardEvent<HTMLLIElement>) {
  const steps: Record<string, Element | null> = {
    ArrowDown: event.currentTarget.nextElementSibling,
    ArrowUp: event.currentTarget.previousElementSibling,
  };
  const next = steps[event.key];
  if (next instanceof HTMLElement) {
    event.preventDefault();
    next.focus();
  }
}
