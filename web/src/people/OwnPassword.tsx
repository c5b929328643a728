import { useId, type InputHTMLAttributes } from 'react';
import { say } from '../messages/rooms';
import { describedBy, inputLook, Labelled } from '../ui/parts';

/** The password until now, which each change of how somebody comes in is confirmed by. */
export function OwnPassword({
  label = say('account.your-password'),
  fault,
  ...input
}: { label?: string; fault: string | undefined } & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId();
  return (
    <Labelled id={id} label={label} fault={fault}>
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
