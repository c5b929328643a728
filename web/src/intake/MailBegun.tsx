import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { useSession } from '../office/queries';
import { Button, Trouble } from '../ui/parts';
import { forgetHere } from './kept';

/** Mails the link by which a begun form is gone on with, later or by a colleague. */
export function MailBegun({ formKey }: { formKey: string }) {
  const session = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const me = session.data?.mail ?? '';
  const [to, setTo] = useState('');
  const colleagues = useQuery({
    queryKey: ['request-owners'],
    queryFn: () => answer(api.GET('/api/v1/requests/owners')),
    staleTime: 60_000,
  });
  const mail = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/begun-forms/{key}/mail', {
          params: { path: { key: formKey } },
          body: { mail: to || me },
        }),
      ),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ['begun-forms'] });
      if (!to || to === me) return;
      // it is somebody else's now: what is typed here would be kept by nobody
      forgetHere(formKey);
      void navigate('/intake');
    },
  });
  return (
    <details>
      <summary className="min-h-6 text-slate">{say('intake.go-on-later')}</summary>
      <div className="flex flex-wrap items-center gap-2 pt-2">
        <label className="flex items-center gap-2">
          {say('intake.who-goes-on')}
          <select
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value={to || me}
            onChange={(event) => setTo(event.target.value)}
          >
            {colleagues.data?.map((one) => (
              <option key={one.mail} value={one.mail}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        <Button disabled={mail.isPending || !me} onClick={() => mail.mutate()}>
          {say('intake.mail-the-link')}
        </Button>
        {mail.isSuccess && (
          <span role="status" className="text-moss">
            {say('intake.link-mailed')}
          </span>
        )}
      </div>
      <Trouble error={mail.error} />
    </details>
  );
}
