import type { ReactNode } from 'react';
import { say } from '../../messages/rooms';

export type OffPageAnswer = { key: string; label: string; printed: string };

/** Answers that stand nowhere on the pages: those that are blank, and those that nothing prints. */
export function OffPage({
  answers,
  shown,
  open,
  onShown,
  onOpen,
  card,
}: {
  answers: OffPageAnswer[];
  shown: boolean;
  open: string | undefined;
  onShown: (shown: boolean) => void;
  onOpen: (key: string | undefined) => void;
  card: (key: string) => ReactNode;
}) {
  return (
    <section aria-label={say('agreements.off-the-pages')} className="text-right">
      <button
        type="button"
        aria-expanded={shown}
        className="min-h-8 px-2 text-soft hover:text-ink"
        onClick={() => onShown(!shown)}
      >
        {say('agreements.off-the-pages-count', { count: answers.length })}
        <span aria-hidden="true"> {shown ? '▴' : '▾'}</span>
      </button>
      {shown && (
        <ul className="border border-edge bg-paper py-1 shadow-page">
          {answers.map(({ key, label, printed }) => (
            <li key={key}>
              <button
                type="button"
                aria-expanded={open === key}
                aria-label={label}
                className={`block w-full px-2 py-0.5 text-right hover:text-ink ${open === key ? 'font-semibold' : 'text-soft'}`}
                onClick={() => onOpen(open === key ? undefined : key)}
              >
                <span className="block truncate">{label}</span>
                <span className="block truncate text-ink">
                  {printed || say('agreements.blank')}
                </span>
              </button>
              {open === key && (
                <section
                  aria-label={label}
                  className="mb-1 border border-edge bg-sheet p-3 text-left shadow-page"
                >
                  {card(key)}
                </section>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
