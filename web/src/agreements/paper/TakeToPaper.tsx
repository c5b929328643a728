import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, Trouble } from '../../ui/parts';
import { listed } from '../../ui/words';

type Detail = Schemas['AgreementDetail'];

/** Has those who haven't signed yet sign on paper. */
export function TakeToPaper({ detail }: { detail: Detail }) {
  const { number, state, route } = detail.row;
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const take = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/agreements/{number}/paper', { params: { path: { number } } })),
    onSuccess: async (after) => {
      queries.setQueryData(['agreement', number], after);
      await navigate(`/agreements/${number}/paper`);
    },
  });
  const signers = route
    .filter(({ standing }) => standing !== 'DONE' && standing !== 'SEALING')
    .map(({ name, label }) => name || label);
  if (!signers.length) return null;
  return (
    <>
      <Button className="self-start" onClick={() => setOpen(true)}>
        {say('paper.sign-on-paper')}
      </Button>
      <DialogShell open={open} title={say('paper.sign-on-paper')} onClose={() => setOpen(false)}>
        <p className="pb-2">{say('paper.who-signs', { names: listed(signers) })}</p>
        <p className="pb-4 text-soft">
          {say(state === 'CHECK' ? 'paper.sends-by-it' : 'paper.links-rest')}
        </p>
        <Trouble error={take.error} />
        <span className="flex gap-2 pt-2">
          <Button look="main" disabled={take.isPending} onClick={() => take.mutate()}>
            {say('paper.make-the-print')}
          </Button>
          <Button onClick={() => setOpen(false)}>{say('paper.stay-on-screen')}</Button>
        </span>
      </DialogShell>
    </>
  );
}
