import type { Schemas } from '../../api/client';

/** A datum's name as it will be printed: in its letters, at its side. */
export function PrintedName({
  print,
  label,
  perPoint,
}: {
  print: Schemas['DataPlace'];
  label: string;
  perPoint: number;
}) {
  const family = { SANS: 'var(--font-sans)', SERIF: 'serif', MONO: 'monospace' }[print.style];
  const side = { LEFT: 'left', MIDDLE: 'center', RIGHT: 'right' } as const;
  return (
    <span
      className="pointer-events-none flex h-full w-full items-center whitespace-nowrap"
      style={{
        fontFamily: family,
        fontSize: `${print.points * perPoint}px`,
        lineHeight: 1.1,
      }}
    >
      <span className="block w-full truncate px-0.5" style={{ textAlign: side[print.align] }}>
        {print.marks ? '✕' : `[${label}]`}
      </span>
    </span>
  );
}
