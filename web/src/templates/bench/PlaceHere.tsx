import { useEffect, useRef, type RefObject } from 'react';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import type { Carried } from './usePlacing';

/** Stands where the cursor is while a signing field is being moved. */
export function PlaceHere({
  carried,
  wanted,
  busy,
  error,
  onPlace,
  onLeave,
}: {
  carried: Carried;
  /** Whether it was asked for before it was there. */
  wanted: RefObject<boolean>;
  busy: boolean;
  error: unknown;
  onPlace: () => void;
  onLeave: () => void;
}) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (wanted.current) button.current?.focus();
    wanted.current = false;
  }, [wanted]);
  return (
    <div
      className="flex flex-col gap-1 border border-edge bg-sheet p-2 text-ink shadow-page"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onLeave();
      }}
    >
      <div className="flex items-center gap-2">
        <p className="mr-auto min-w-0">{carried.called}</p>
        <button
          ref={button}
          type="button"
          className="min-h-9 rounded-sm bg-ink px-3 whitespace-nowrap text-sheet disabled:opacity-50"
          disabled={busy}
          onClick={onPlace}
        >
          {say('templates.put-it-here')}
        </button>
        <Button onClick={onLeave}>{say('templates.leave-it')}</Button>
      </div>
      <Trouble error={error} />
    </div>
  );
}
