import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle } from '../ui/parts';
import { date, dateTime } from '../ui/time';

const columns: Column<Schemas['ProgramItem']>[] = [
  {
    id: 'title',
    title: say('programs.program'),
    width: 320,
    sort: 'title',
    cell: (one) => <Link to={`/programs/${one.id}`}>{one.title}</Link>,
  },
  {
    id: 'state',
    title: say('programs.state'),
    width: 180,
    cell: (one) =>
      one.endedAt ? (
        <span className="text-soft">{say('programs.ended-on', { day: date(one.endedAt) })}</span>
      ) : one.keys ? (
        say('programs.keys-hold', { count: one.keys })
      ) : (
        <span className="text-clay">{say('programs.no-key')}</span>
      ),
  },
  {
    id: 'used',
    title: say('programs.last-came'),
    width: 180,
    cell: (one) => (one.lastUsedAt ? dateTime(one.lastUsedAt) : say('programs.never')),
  },
  {
    id: 'by',
    title: say('programs.let-in-by'),
    width: 160,
    cell: (one) => <span className="text-soft">{one.createdBy}</span>,
  },
  {
    id: 'since',
    title: say('programs.since'),
    width: 120,
    cell: (one) => <span className="text-soft">{date(one.createdAt)}</span>,
  },
];

/** Other programs that the office lets in. */
export default function ProgramsRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const list = useQuery({
    queryKey: ['programs', find, sort, page],
    queryFn: () => answer(api.GET('/api/v1/programs', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('programs.programs')}>
        <Link to="/programs/webhooks">{say('programs.webhooks')}</Link>
        <Link to="/programs/records">{say('records.systems')}</Link>
        <Link to="/programs/new">{say('programs.let-in')}</Link>
        <Filter
          label={say('programs.find')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <ListRoom
        label={say('programs.programs')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/programs/${one.id}`}
        waiting={say('programs.looking-up')}
        empty={find ? say('programs.none-called-so') : say('programs.a-program-is')}
      />
    </>
  );
}
