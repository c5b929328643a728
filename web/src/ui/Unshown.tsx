import { isSignedOut } from '../api/client';
import { say } from '../messages/rooms';
import { Button, Trouble, Waiting } from './parts';

type Query = { error: unknown; isFetching: boolean; refetch: () => unknown };

/**
 * What stands in a room's place until its data are there: that they are being fetched, or why they can't be, with the way to
 * try again. When the session has ended, signing in fetches them, so nothing but waiting is said.
 */
export function Unshown({ query, waiting }: { query: Query; waiting: string }) {
  const { error, isFetching, refetch } = query;
  if (!error || isSignedOut(error)) return <Waiting what={waiting} />;
  return (
    <div className="flex flex-col items-start gap-3">
      <Trouble error={error} />
      <Button disabled={isFetching} onClick={() => void refetch()}>
        {say('ui.try-again')}
      </Button>
    </div>
  );
}
