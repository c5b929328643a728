import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';

/** Signed copies that came back, each to be sent once more; nothing where none did. */
export function CopiesBack({ number }: { number: string }) {
  const [sent, setSent] = useState('');
  const { data: copies = [] } = useQuery({
    queryKey: ['copies', number],
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements/{number}/returned-copies', { params: { path: { number } } }),
      ),
    // what was sent again may come back again
    refetchInterval: 10_000,
  });
  if (copies.length === 0 && !sent) return null;
  return (
    <section aria-label={say('archive.copies-back')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('archive.copies-back')}</h2>
      {copies.map((copy) => (
        <CopyBack key={copy.mail} copy={copy} onSent={setSent} />
      ))}
      {sent && (
        <p role="status" className="text-moss">
          {say('archive.copy-sent', { to: sent })}
        </p>
      )}
    </section>
  );
}

function CopyBack({
  copy,
  onSent,
}: {
  copy: Schemas['ReturnedCopy'];
  onSent: (mail: string) => void;
}) {
  const client = useQueryClient();
  const [mail, setMail] = useState(copy.recipient);
  const again = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/agreements/{number}/returned-copies/{mail}', {
          params: { path: { number: copy.agreement, mail: copy.mail } },
          body: { mail },
        }),
      ),
    onSuccess: () => {
      onSent(mail);
      return client.invalidateQueries({ queryKey: ['copies', copy.agreement] });
    },
  });
  return (
    <form
      className="flex flex-col gap-2 border-l-4 border-oxide bg-sheet px-3 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        again.mutate();
      }}
    >
      <p className="wrap-anywhere">
        {say('archive.copy-back', { to: copy.recipient, because: copy.because })}
      </p>
      <label className="flex flex-col gap-1">
        {say('archive.copy-to')}
        <input
          type="email"
          required
          className={inputLook}
          value={mail}
          onChange={(event) => setMail(event.target.value)}
        />
      </label>
      <Trouble error={again.error} />
      <Button type="submit" className="self-start" disabled={again.isPending || !mail.trim()}>
        {say('archive.copy-again')}
      </Button>
    </form>
  );
}
