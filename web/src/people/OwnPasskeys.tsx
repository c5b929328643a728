import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { makePasskey } from '../office/passkeys';
import { Button, inputLook, Labelled } from '../ui/parts';
import { date } from '../ui/time';
import { browserWords } from './people';
import { Confirmed } from './Confirmed';

type Passkey = Schemas['PasskeyView'];

/** Passkeys of who is signed in. */
export function OwnPasskeys({
  account,
  onAdded,
  onChange,
}: {
  account: Schemas['OwnAccount'];
  onAdded: (codes: Schemas['RecoveryCodes']) => void;
  onChange: (account: Schemas['OwnAccount']) => void;
}) {
  const [adds, setAdds] = useState(false);
  const [title, setTitle] = useState('');
  const [leaves, setLeaves] = useState<Passkey>();
  return (
    <section aria-label={say('account.passkeys')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('account.passkeys')}</h2>
      <p className="text-soft">
        {account.place ? say('account.passkeys-hint') : say('account.passkeys-no-place')}
      </p>
      {account.passkeys.length > 0 && (
        <ul className="border-t border-rule">
          {account.passkeys.map((one) => (
            <li key={one.id} className="flex items-center gap-3 border-b border-rule py-1">
              <span className="grow">
                {one.title}
                <span className="text-soft">
                  {' '}
                  {one.usedAt
                    ? say('account.passkey-used', { day: date(one.usedAt) })
                    : say('account.passkey-made', { day: date(one.madeAt) })}
                </span>
              </span>
              <Button
                aria-label={say('account.take-passkey-out', { title: one.title })}
                onClick={() => setLeaves(one)}
              >
                {say('account.take-out')}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {account.place && (
        <Button
          className="self-start"
          onClick={() => {
            setTitle(browserWords(navigator.userAgent));
            setAdds(true);
          }}
        >
          {say('account.add-passkey')}
        </Button>
      )}
      {adds && (
        <Confirmed
          title={say('account.add-passkey')}
          act={say('account.make-passkey')}
          password={account.password}
          run={(current) => makePasskey(title, current)}
          onDone={(codes) => {
            setAdds(false);
            onAdded(codes);
          }}
          onClose={() => setAdds(false)}
        >
          <Labelled id="passkey-title" label={say('account.passkey-title')}>
            <input
              id="passkey-title"
              maxLength={80}
              className={inputLook}
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </Labelled>
        </Confirmed>
      )}
      {leaves && (
        <Confirmed
          title={say('account.take-passkey-out', { title: leaves.title })}
          act={say('account.take-out')}
          grave
          password={account.password}
          run={(current) =>
            answer(
              api.DELETE('/api/v1/account/passkeys/{id}', {
                params: { path: { id: leaves.id } },
                body: { current },
              }),
            )
          }
          onDone={(next) => {
            setLeaves(undefined);
            onChange(next);
          }}
          onClose={() => setLeaves(undefined)}
        />
      )}
    </section>
  );
}
