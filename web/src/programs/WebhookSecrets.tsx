import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';
import { date, dateTime } from '../ui/time';
import { FreshSecret } from './FreshSecret';

/** What notices are signed with, and how one secret takes another's place. */
export function WebhookSecrets({
  webhook,
  onChange,
}: {
  webhook: Schemas['WebhookDetail'];
  onChange: (webhook: Schemas['WebhookDetail']) => void;
}) {
  const [others, setOthers] = useState('24');
  const [fresh, setFresh] = useState<Schemas['FreshSecret']>();
  const change = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/webhooks/{id}/secrets', {
          params: { path: { id: webhook.id } },
          body: { othersEndIn: Number(others) },
        }),
      ),
    onSuccess: (next) => {
      setFresh(next);
      onChange(next.webhook);
    },
  });
  return (
    <section aria-labelledby="secrets" className="flex flex-col gap-3">
      <h2 id="secrets" className="text-lg">
        {say('programs.secrets')}
      </h2>
      <ul className="flex flex-col gap-2">
        {webhook.secrets.map((one) => (
          <li key={one.id} className="border-l-2 border-rule pl-3">
            {say('programs.secret-ending', { ending: one.ending })}{' '}
            <span className="text-soft">
              {say('programs.secret-since', { day: date(one.createdAt) })}
              {one.endsAt && `, ${say('programs.key-ends', { when: dateTime(one.endsAt) })}`}
            </span>
          </li>
        ))}
      </ul>
      {webhook.state !== 'ENDED' && (
        <div className="flex flex-wrap items-end gap-3">
          <label className="flex w-56 flex-col gap-1">
            <span className="text-soft">{say('programs.secret-before')}</span>
            <select
              className={inputLook}
              value={others}
              onChange={(event) => setOthers(event.target.value)}
            >
              <option value="0">{say('programs.others-now')}</option>
              <option value="24">{say('programs.others-day')}</option>
              <option value="168">{say('programs.others-week')}</option>
            </select>
          </label>
          <Button disabled={change.isPending} onClick={() => change.mutate()}>
            {say('programs.change-secret')}
          </Button>
        </div>
      )}
      <Trouble error={change.error} />
      {fresh && (
        <FreshSecret
          title={say('programs.fresh-secret')}
          id={fresh.id}
          secret={fresh.secret}
          onClose={() => setFresh(undefined)}
        />
      )}
    </section>
  );
}
