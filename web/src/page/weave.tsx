/** Parties are told apart by ordinal and weave, in ink on paper. */
const weaves = [
  'transparent',
  'repeating-linear-gradient(45deg, currentColor 0 1px, transparent 1px 5px)',
  'radial-gradient(currentColor 1px, transparent 1.2px) 0 0 / 5px 5px',
  'repeating-linear-gradient(45deg, currentColor 0 1px, transparent 1px 6px), repeating-linear-gradient(-45deg, currentColor 0 1px, transparent 1px 6px)',
  'repeating-linear-gradient(90deg, currentColor 0 1px, transparent 1px 4px)',
  'repeating-linear-gradient(0deg, currentColor 0 1px, transparent 1px 5px)',
];

export function weaveOf(ordinal: number): string {
  return weaves[(ordinal - 1) % weaves.length] ?? 'transparent';
}

export function Ordinal({ ordinal }: { ordinal: number }) {
  return (
    <span
      aria-hidden="true"
      className="inline-grid size-5 shrink-0 place-items-center border border-ink text-ink"
      style={{ background: weaveOf(ordinal) }}
    >
      <span className="bg-sheet px-0.5 text-xs leading-none font-semibold">{ordinal}</span>
    </span>
  );
}
