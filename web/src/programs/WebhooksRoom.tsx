import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { date } from '../ui/time';

export const webhookStates: Record<Schemas['WebhookItem']['state'], RoomCode> = {
  ON: 'programs.webhook-on',
  PAUSED: 'programs.webhook-paused',
  ENDED: 'programs.webhook-ended',
};

const columns: Column<Schemas['WebhookItem']>[] = [
  {
    id: 'title',
    title: say('programs.webhook'),
    width: 260,
    sort: 'title',
    cell: (one) => <Link to={`/programs/webhooks/${one.id}`}>{one.title}</Link>,
  },
  {
    id: 'address',
    title: say('programs.address'),
    width: 340,
    cell: (one) => <span className="text-soft">{one.address}</span>,
  },
  {
    id: 'state',
    title: say('programs.state'),
    width: 130,
    cell: (one) => (
      <span className={one.state === 'ON' ? '' : 'text-clay'}>{say(webhookStates[one.state])}</span>
    ),
  },
  {
    id: 'waiting',
    title: say('programs.waiting'),
    width: 100,
    cell: (one) => <span className="tabular-nums">{one.waiting.toLocaleString('en')}</span>,
  },
  {
    id: 'givenUp',
    title: say('programs.given-up'),
    width: 100,
    cell: (one) => (
      <span className={`tabular-nums ${one.givenUp ? 'text-oxide' : ''}`}>
        {one.givenUp.toLocaleString('en')}
      </span>
    ),
  },
  {
    id: 'since',
    title: say('programs.since'),
    width: 120,
    cell: (one) => <span className="text-soft">{date(one.createdAt)}</span>,
  },
];

/** Other programs that are told what happens. */
export default function WebhooksRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const list = useQuery({
    queryKey: ['webhooks', find, sort, page],
    queryFn: () => answer(api.GET('/api/v1/webhooks', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('programs.webhooks')}>
        <Link to="/programs">{say('programs.programs')}</Link>
        <Link to="/programs/records">{say('records.systems')}</Link>
        <Link to="/programs/webhooks/new">{say('programs.new-webhook')}</Link>
        <Filter
          label={say('programs.find-webhook')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <ListRoom
        label={say('programs.webhooks')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/programs/webhooks/${one.id}`}
        waiting={say('programs.looking-up')}
        empty={find ? say('programs.no-webhook-called-so') : say('programs.a-webhook-is')}
      />
    </>
  );
}
