import { useRef, type KeyboardEvent, type ReactNode } from 'react';

/** The buttons above a text editor: one stop for the Tab key, walked by arrows (WAI-ARIA toolbar pattern). */
export function EditorToolbar({
  label,
  className = '',
  children,
}: {
  label: string;
  className?: string;
  children: ReactNode;
}) {
  const bar = useRef<HTMLDivElement>(null);
  function walk(event: KeyboardEvent) {
    const buttons = [...(bar.current?.querySelectorAll('button') ?? [])];
    const at = buttons.indexOf(event.target as HTMLButtonElement);
    const next = {
      ArrowRight: (at + 1) % buttons.length,
      ArrowLeft: (at - 1 + buttons.length) % buttons.length,
      Home: 0,
      End: buttons.length - 1,
    }[event.key];
    if (at < 0 || next === undefined) return;
    event.preventDefault();
    buttons.forEach((button, i) => (button.tabIndex = i === next ? 0 : -1));
    buttons[next]?.focus();
  }
  return (
    <div
      ref={bar}
      role="toolbar"
      aria-label={label}
      className={`flex flex-wrap border-b border-rule ${className}`}
      onKeyDown={walk}
    >
      {children}
    </div>
  );
}

/** One act on the text. @param active whether the words that are chosen have it already */
export function Tool({
  label,
  active,
  onRun,
}: {
  label: string;
  active: boolean;
  onRun: () => void;
}) {
  return (
    <button
      type="button"
      aria-pressed={active}
      className={`min-h-8 px-2 ${active ? 'bg-slatted font-semibold' : ''}`}
      onClick={onRun}
    >
      {label}
    </button>
  );
}
