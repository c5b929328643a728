import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSession } from '../office/queries';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { ChangePassword } from './ChangePassword';
import { CodesOfDevice } from './CodesOfDevice';
import { OwnPasskeys } from './OwnPasskeys';
import { RecoveryCodes } from './RecoveryCodes';
import { roleWords } from './people';
import { Sessions } from './Sessions';

export type OwnAccount = Schemas['OwnAccount'];

/** What belongs to who is signed in: how they come in, and where they are in. */
export default function AccountRoom() {
  const queries = useQueryClient();
  const session = useSession();
  const [codes, setCodes] = useState<string[]>([]);
  const own = useQuery({
    queryKey: ['account'],
    queryFn: () => answer(api.GET('/api/v1/account')),
  });
  const took = (next: OwnAccount) => queries.setQueryData(['account'], next);
  const added = (fresh: Schemas['RecoveryCodes']) => {
    setCodes(fresh.codes);
    void queries.invalidateQueries({ queryKey: ['account'] });
    void queries.invalidateQueries({ queryKey: ['session'] });
  };
  const endOthers = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/account/sessions')),
    onSuccess: took,
  });
  const end = useMutation({
    mutationFn: (id: string) =>
      answer(api.DELETE('/api/v1/account/sessions/{id}', { params: { path: { id } } })),
    onSuccess: took,
  });
  if (!own.data) return <Unshown query={own} waiting={say('office.opening')} />;
  const account = own.data;
  return (
    <>
      <RoomTitle title={say('account.title')}>
        <span className="text-soft">
          {account.name}, {account.mail} · {roleWords(account.roles)}
        </span>
      </RoomTitle>
      {session.data?.lacksFactor && (
        <p role="status" className="mb-4 border-l-4 border-clay bg-sheet px-3 py-2">
          {say('account.lacks-factor')}
        </p>
      )}
      <div className="grid grid-cols-1 items-start gap-x-10 gap-y-8 pb-8 lg:grid-cols-2">
        <div className="flex flex-col gap-8">
          <ChangePassword account={account} onChange={took} />
          <CodesOfDevice account={account} onAdded={added} onChange={took} />
          <OwnPasskeys account={account} onAdded={added} onChange={took} />
          <RecoveryCodes account={account} codes={codes} onFresh={added} />
        </div>
        <section aria-label={say('account.sessions')} className="flex min-w-0 flex-col gap-3">
          <h2 className="text-lg">{say('account.sessions')}</h2>
          <Sessions
            sessions={account.sessions}
            busy={end.isPending}
            onEnd={(one) => end.mutate(one.id)}
          />
          {account.sessions.length > 1 && (
            <Button
              className="self-start"
              disabled={endOthers.isPending}
              onClick={() => endOthers.mutate()}
            >
              {say('account.end-others')}
            </Button>
          )}
          <Trouble error={end.error ?? endOthers.error} />
        </section>
      </div>
    </>
  );
}
