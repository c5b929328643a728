import type { Schemas } from '../api/client';

/** What still stands in the way of publishing. */
export function Readiness({
  obstacles,
  diagnostics,
}: {
  obstacles: string[];
  diagnostics: Schemas['Diagnostic'][];
}) {
  const others = obstacles.slice(diagnostics.length);
  if (!obstacles.length) {
    return <p className="pb-4 text-moss">Ready to publish: nothing stands in the way.</p>;
  }
  return (
    <section aria-label="Readiness" className="mb-5 border-l-4 border-clay bg-sheet px-4 py-3">
      <h2 className="text-lg">Before this can be published</h2>
      <ul className="flex flex-col gap-2 pt-2">
        {diagnostics.map((one, i) => (
          <li key={i}>
            <strong className="font-medium">{one.message}</strong> {one.cure}
            <span className="block text-soft">
              In the {one.part}: <q className="font-mono">{one.place}</q>
            </span>
          </li>
        ))}
        {others.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </section>
  );
}
