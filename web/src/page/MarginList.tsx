import type { ReactNode } from 'react';

export type Listed = {
  key: string;
  label: string;
  /** What stands beneath it. */
  told?: string;
};

/** What has no place on the pages, in a list that opens above a margin's notes; each opens into its card there. */
export function MarginList({
  label,
  head,
  items,
  shown,
  open,
  onShown,
  onOpen,
  card,
  children,
}: {
  label: string;
  /** What its button says. */
  head: string;
  items: Listed[];
  shown: boolean;
  open: string | undefined;
  onShown: (shown: boolean) => void;
  onOpen: (key: string | undefined) => void;
  card: (key: string) => ReactNode;
  /** What stands at its end. */
  children?: ReactNode;
}) {
  return (
    <section
      aria-label={label}
      className="text-right"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented || !shown) return;
        event.currentTarget.querySelector('button')?.focus();
        onShown(false);
      }}
    >
      <button
        type="button"
        aria-expanded={shown}
        className="min-h-8 px-2 text-soft hover:text-ink"
        onClick={() => onShown(!shown)}
      >
        {head}
        <span aria-hidden="true"> {shown ? '▴' : '▾'}</span>
      </button>
      {shown && (
        <ul className="border border-edge bg-paper py-1 shadow-page">
          {items.map(({ key, label: called, told }) => (
            <li key={key}>
              <button
                type="button"
                aria-expanded={open === key}
                aria-label={called}
                title={called}
                className={`block min-h-6 w-full px-2 text-right hover:text-ink ${open === key ? 'font-semibold' : 'text-soft'}`}
                onClick={() => onOpen(open === key ? undefined : key)}
              >
                <span className="block truncate">{called}</span>
                {told !== undefined && <span className="block truncate text-ink">{told}</span>}
              </button>
              {open === key && (
                <section
                  aria-label={called}
                  className="mb-1 border border-edge bg-sheet p-3 text-left shadow-page"
                >
                  {card(key)}
                </section>
              )}
            </li>
          ))}
          {children}
        </ul>
      )}
    </section>
  );
}
