import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { FreshSecret } from './FreshSecret';
import { NoticeList } from './NoticeList';
import { WebhookForm } from './WebhookForm';
import { WebhookSecrets } from './WebhookSecrets';
import { webhookStates } from './WebhooksRoom';

/** One webhook: what is told where, its secrets, what was sent and answered. */
export default function WebhookRoom() {
  const { id } = useParams();
  return id ? <Known key={id} id={id} /> : <New />;
}

function New() {
  const navigate = useNavigate();
  const [made, setMade] = useState<Schemas['FreshSecret']>();
  return (
    <>
      <RoomTitle title={say('programs.new-webhook')}>
        <Link to="/programs/webhooks">{say('programs.webhooks')}</Link>
      </RoomTitle>
      <div className="max-w-3xl">
        <WebhookForm
          terms={{
            title: '',
            address: '',
            kinds: ['agreement.sent', 'agreement.completed', 'agreement.declined'],
            forms: [],
          }}
          act={say('programs.make-webhook')}
          save={(terms) => answer(api.POST('/api/v1/webhooks', { body: { terms } }))}
          onSaved={setMade}
        />
      </div>
      {made && (
        <FreshSecret
          title={say('programs.fresh-secret')}
          id={made.id}
          secret={made.secret}
          onClose={() => void navigate(`/programs/webhooks/${made.webhook.id}`, { replace: true })}
        />
      )}
    </>
  );
}

function Known({ id }: { id: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const found = useQuery({
    queryKey: ['webhook', id],
    queryFn: () => answer(api.GET('/api/v1/webhooks/{id}', path)),
    refetchInterval: 5_000,
  });
  const took = (next: Schemas['WebhookDetail']) => {
    queries.setQueryData(['webhook', id], next);
    void queries.invalidateQueries({ queryKey: ['webhooks'] });
    void queries.invalidateQueries({ queryKey: ['notices', id] });
  };
  const act = useMutation({
    mutationFn: (what: 'trial' | 'pause' | 'on' | 'end' | 'again') => {
      switch (what) {
        case 'trial':
          return answer(api.POST('/api/v1/webhooks/{id}/trial', path));
        case 'pause':
          return answer(api.POST('/api/v1/webhooks/{id}/pause', path));
        case 'on':
          return answer(api.DELETE('/api/v1/webhooks/{id}/pause', path));
        case 'again':
          return answer(api.POST('/api/v1/webhooks/{id}/notices/sending', path));
        case 'end':
          return answer(api.DELETE('/api/v1/webhooks/{id}', path));
      }
    },
    onSuccess: took,
  });
  if (!found.data) return <Unshown query={found} waiting={say('programs.looking-up')} />;
  const webhook = found.data;
  const open = webhook.state !== 'ENDED';
  return (
    <>
      <RoomTitle title={webhook.terms.title}>
        <span className={webhook.state === 'ON' ? 'text-moss' : 'text-clay'}>
          {say(webhookStates[webhook.state])}
        </span>
        <Link to="/programs/webhooks">{say('programs.webhooks')}</Link>
        {open && (
          <>
            <Button disabled={act.isPending} onClick={() => act.mutate('trial')}>
              {say('programs.try-it')}
            </Button>
            {webhook.givenUp > 0 && (
              <Button disabled={act.isPending} onClick={() => act.mutate('again')}>
                {say('programs.send-given-up', { count: webhook.givenUp })}
              </Button>
            )}
            <Button
              disabled={act.isPending}
              onClick={() => act.mutate(webhook.state === 'ON' ? 'pause' : 'on')}
            >
              {webhook.state === 'ON' ? say('programs.pause') : say('programs.go-on')}
            </Button>
            <Button look="grave" disabled={act.isPending} onClick={() => act.mutate('end')}>
              {say('programs.end-webhook')}
            </Button>
          </>
        )}
      </RoomTitle>
      <Trouble error={act.error} />
      <div className="grid items-start gap-8 pb-6 lg:grid-cols-[3fr_2fr]">
        <WebhookForm
          key={webhook.revision}
          terms={webhook.terms}
          act={say('programs.save-webhook')}
          disabled={!open}
          save={(terms) =>
            answer(
              api.PUT('/api/v1/webhooks/{id}', {
                ...path,
                body: { revision: webhook.revision, terms },
              }),
            )
          }
          onSaved={took}
        />
        <WebhookSecrets webhook={webhook} onChange={took} />
      </div>
      <NoticeList webhook={id} />
    </>
  );
}
