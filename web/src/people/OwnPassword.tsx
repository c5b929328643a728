import { useId, type InputHTMLAttributes } from 'react';
import { say } from '../messages/rooms';
import { describedBy, inputLook, Labelled } from '../ui/parts';

/** The password until now, which each change of how somebody comes in is confirmed by. */
export function OwnPassword({
  fault,
  ...input
}: { fault: string | undefined } & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId();
  return (
    <Labelled id={id} label={say('account.your-password')} fault={fault}>
      <input
        id={id}
        type="password"
        autoComplete="current-password"
        className={inputLook}
        {...input}
        {...describedBy(id, '', fault)}
      />
    </Labelled>
  );
}
