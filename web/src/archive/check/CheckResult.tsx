import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import { dateTime } from '../../ui/time';

/** What the check of a file found: its signatures, what is wrong, and what is worth knowing. */
export function CheckResult({ title, result }: { title: string; result: Schemas['Verification'] }) {
  return (
    <div
      role="status"
      className={`border-l-4 bg-sheet px-3 py-2 ${result.intact ? 'border-moss' : 'border-oxide'}`}
    >
      <p className={result.intact ? 'text-moss' : 'text-oxide'}>
        {title}{' '}
        {result.intact
          ? say('archive.is-intact-nothing-was-changed')
          : say('archive.is-not-intact')}
      </p>
      {result.findings.map((finding) => (
        <p key={finding}>{finding}</p>
      ))}
      {result.notes.map((note) => (
        <p key={note} className="text-soft">
          {note}
        </p>
      ))}
      <ul className="pt-1">
        {result.signatures.map((one) => (
          <li key={one.field}>
            <strong className="font-medium">{one.by}</strong>
            {one.at && <>, {dateTime(one.at)}</>}
            <span className="block text-soft">
              {one.valid ? say('archive.holds') : say('archive.does-not-hold')}; {one.level}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
