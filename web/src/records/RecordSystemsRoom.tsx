import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { systemStates } from './records';

type System = Schemas['RecordSystemItem'];

const count = (many: (one: System) => number, grave: boolean) => (one: System) => (
  <span className={`tabular-nums ${grave && many(one) ? 'text-oxide' : ''}`}>
    {many(one).toLocaleString('en')}
  </span>
);

const columns: Column<System>[] = [
  {
    id: 'title',
    title: say('records.system'),
    width: 240,
    sort: 'title',
    cell: (one) => <Link to={`/programs/records/${one.id}`}>{one.title}</Link>,
  },
  {
    id: 'address',
    title: say('records.address'),
    width: 280,
    cell: (one) => <span className="text-soft">{one.address}</span>,
  },
  {
    id: 'state',
    title: say('programs.state'),
    width: 280,
    cell: (one) =>
      one.fault ? (
        <span className="text-oxide">{one.fault}</span>
      ) : (
        <span className={one.state === 'ON' ? '' : 'text-clay'}>
          {say(systemStates[one.state])}
        </span>
      ),
  },
  {
    id: 'taken',
    title: say('records.taken-count'),
    width: 90,
    cell: count((one) => one.counts.taken, false),
  },
  {
    id: 'faulty',
    title: say('records.faulty-count'),
    width: 110,
    cell: count((one) => one.counts.faulty, true),
  },
  {
    id: 'waiting',
    title: say('records.waiting-count'),
    width: 110,
    cell: count((one) => one.counts.waiting, false),
  },
  {
    id: 'givenUp',
    title: say('records.given-up-count'),
    width: 90,
    cell: count((one) => one.counts.givenUp, true),
  },
];

/** Other systems whose records agreements are made of. */
export default function RecordSystemsRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const list = useQuery({
    queryKey: ['record-systems', find, sort, page],
    queryFn: () =>
      answer(api.GET('/api/v1/record-systems', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 10_000,
  });
  return (
    <>
      <RoomTitle title={say('records.systems')}>
        <Link to="/programs">{say('programs.programs')}</Link>
        <Link to="/programs/webhooks">{say('programs.webhooks')}</Link>
        <Link to="/programs/records/new">{say('records.new')}</Link>
        <Filter
          label={say('records.find')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <ListRoom
        label={say('records.systems')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/programs/records/${one.id}`}
        waiting={say('programs.looking-up')}
        empty={find ? say('records.none-called-so') : say('records.a-system-is')}
      />
    </>
  );
}
