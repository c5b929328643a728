import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button } from '../ui/parts';
import { Confirmed } from './Confirmed';

/** Codes for the loss of a device, shown once. */
export function RecoveryCodes({
  account,
  codes,
  onFresh,
}: {
  account: Schemas['OwnAccount'];
  /** Those that were just made. */
  codes: string[];
  onFresh: (codes: Schemas['RecoveryCodes']) => void;
}) {
  const [asks, setAsks] = useState(false);
  if (!account.codeSince && account.passkeys.length === 0) return null;
  return (
    <section aria-label={say('account.recovery')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('account.recovery')}</h2>
      {codes.length > 0 ? (
        <div
          role="status"
          className="flex flex-col gap-2 border-l-4 border-clay bg-sheet px-3 py-2"
        >
          <p>{say('account.recovery-keep')}</p>
          <ul className="grid max-w-md grid-cols-2 gap-x-6 font-mono">
            {codes.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </div>
      ) : (
        <p className="text-soft">
          {say('account.recovery-left', { count: account.recoveryCodes })}
        </p>
      )}
      <Button className="self-start" onClick={() => setAsks(true)}>
        {say('account.recovery-renew')}
      </Button>
      {asks && (
        <Confirmed
          title={say('account.recovery-renew')}
          act={say('account.recovery-renew')}
          password={account.password}
          run={(current) =>
            answer(api.POST('/api/v1/account/recovery-codes', { body: { current } }))
          }
          onDone={(fresh) => {
            setAsks(false);
            onFresh(fresh);
          }}
          onClose={() => setAsks(false)}
        >
          <p>{say('account.recovery-renew-hint')}</p>
        </Confirmed>
      )}
    </section>
  );
}
