import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { date } from '../ui/time';

const columns: Column<Schemas['RegisterItem']>[] = [
  {
    id: 'title',
    title: say('registers.register'),
    width: 320,
    sort: 'title',
    cell: (one) => <Link to={`/registers/${one.name}`}>{one.title}</Link>,
  },
  {
    id: 'rows',
    title: say('registers.rows'),
    width: 110,
    cell: (one) => <span className="tabular-nums">{one.rows.toLocaleString('en')}</span>,
  },
  {
    id: 'columns',
    title: say('registers.columns'),
    width: 110,
    cell: (one) => <span className="tabular-nums">{one.columns}</span>,
  },
  {
    id: 'name',
    title: say('registers.name-in-settings'),
    width: 200,
    cell: (one) => <code className="text-soft">{one.name}</code>,
  },
  {
    id: 'changed',
    title: say('registers.settled'),
    width: 140,
    sort: 'changed',
    cell: (one) => <span className="text-soft">{date(one.changedAt)}</span>,
  },
];

/** The office's own tables. */
export default function RegistersRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const list = useQuery({
    queryKey: ['registers', find, sort, page],
    queryFn: () =>
      answer(api.GET('/api/v1/registers', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('registers.registers')}>
        <Link to="/registers/new">{say('registers.new-register')}</Link>
        <Filter
          label={say('registers.find-a-register')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <ListRoom
        label={say('registers.registers')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.name}
        to={(one) => `/registers/${one.name}`}
        waiting={say('registers.looking-up-registers')}
        empty={find ? say('registers.no-register-called-so') : say('registers.a-register-is')}
      />
    </>
  );
}
