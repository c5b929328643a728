import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { dateTime } from '../../ui/time';

/** By which daily root an agreement is covered, with what proves it to others. */
export function Covered({ number, cover }: { number: string; cover: Schemas['Cover'] | null }) {
  if (!cover) return <p className="text-soft">{say('archive.not-covered-yet')}</p>;
  const { root, at } = cover;
  return (
    <p className={at ? 'text-soft' : 'text-oxide'}>
      {at
        ? say('archive.covered', { root, at: dateTime(at) })
        : say('archive.covered-badly', { root })}{' '}
      <a href={`/api/v1/archive/${number}/inclusion`} className="underline underline-offset-3">
        {say('archive.proof')}
      </a>
    </p>
  );
}
