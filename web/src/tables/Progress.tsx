import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';

/** How far the work on a table is, in rows. */
export function Progress({ table, todo }: { table: Schemas['TableDetail']; todo: number }) {
  const { state, done, rows } = table;
  // while a file is read nobody knows how many rows it has
  const of = state === 'GOING' ? done + todo : state === 'CHECKING' ? rows : 0;
  return (
    <div className="flex items-center gap-3 pb-3">
      {of > 0 && (
        <progress
          aria-label={say('tables.progress')}
          className="h-2 w-64 accent-bottle"
          value={done}
          max={of}
        />
      )}
      <span role="status" className="text-soft tabular-nums">
        {of > 0 ? say('tables.of-rows', { done, of }) : say('tables.rows-read', { done })}
      </span>
    </div>
  );
}
