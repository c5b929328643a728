import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';

type Detail = Schemas['AgreementDetail'];

/** Ends an agreement before all have signed, with the reason that the parties read. */
export function Withdraw({
  number,
  onTaken,
}: {
  number: string;
  onTaken: (detail: Detail) => void;
}) {
  const [reason, setReason] = useState<string>();
  const withdraw = useMutation({
    mutationFn: (text: string) =>
      answer(
        api.POST('/api/v1/agreements/{number}/withdrawal', {
          params: { path: { number } },
          body: { reason: text },
        }),
      ),
    onSuccess: onTaken,
  });
  if (reason === undefined) {
    return (
      <Button look="grave" className="self-start" onClick={() => setReason('')}>
        {say('agreements.withdraw-the-agreement')}
      </Button>
    );
  }
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        withdraw.mutate(reason);
      }}
    >
      <label className="flex flex-col gap-1">
        {say('agreements.reason-which-the-parties-will')}
        <textarea
          className={inputLook}
          rows={2}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <Trouble error={withdraw.error} />
      <div className="flex gap-2">
        <Button type="submit" look="grave" disabled={withdraw.isPending}>
          {say('agreements.withdraw', { number })}
        </Button>
        <Button onClick={() => setReason(undefined)}>{say('agreements.keep-it')}</Button>
      </div>
    </form>
  );
}
