import { say } from '../messages/rooms';
import { Button } from '../ui/parts';

/** What can be done with a line of a list. */
export function ChangeOrTakeOut({
  change,
  takeOut,
  busy,
  onChange,
  onTakeOut,
}: {
  /** What the buttons are called for who doesn't see the line. */
  change: string;
  takeOut: string;
  busy: boolean;
  onChange: () => void;
  onTakeOut: () => void;
}) {
  return (
    <span className="flex justify-end gap-2">
      <Button aria-label={change} onClick={onChange}>
        {say('people.change')}
      </Button>
      <Button aria-label={takeOut} disabled={busy} onClick={onTakeOut}>
        {say('account.take-out')}
      </Button>
    </span>
  );
}
