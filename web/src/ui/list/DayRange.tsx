import { narrowLook } from './Narrow';

/** A first and a last day, either of which may be left open. */
export function DayRange({
  from,
  to,
  words,
  onChange,
}: {
  from: string;
  to: string;
  words: { from: string; to: string };
  onChange: (next: { from?: string; to?: string }) => void;
}) {
  return (
    <div className="flex items-center gap-2 pb-2 text-soft">
      {(['from', 'to'] as const).map((end) => (
        <label key={end} className="flex items-center gap-2 whitespace-nowrap">
          {words[end]}
          <input
            type="date"
            className={`${narrowLook} w-40 text-ink`}
            value={end === 'from' ? from : to}
            onChange={(event) => onChange({ [end]: event.target.value })}
          />
        </label>
      ))}
    </div>
  );
}
