import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import { useListPlace } from '../../ui/list/useListPlace';
import { RoomTitle } from '../../ui/parts';
import { date, lastDay } from '../../ui/time';
import { CopyAddress } from './CopyAddress';
import { stateWords, taken } from './linkWords';

type Row = Schemas['FormLinkRow'];

const columns: Column<Row>[] = [
  {
    id: 'title',
    title: say('links.title'),
    width: 260,
    cell: (one) => <Link to={`/intake/links/${one.id}`}>{one.title}</Link>,
  },
  { id: 'template', title: say('intake.template'), width: 200, cell: (one) => one.templateName },
  {
    id: 'state',
    title: say('links.state'),
    width: 170,
    cell: (one) => (
      <span className={one.state === 'OPEN' ? 'text-moss' : 'text-clay'}>
        {say(stateWords[one.state])}
        {one.word && one.state === 'OPEN' ? say('links.by-word') : ''}
      </span>
    ),
  },
  { id: 'taken', title: say('links.taken'), width: 110, cell: taken },
  {
    id: 'closes',
    title: say('links.until'),
    width: 120,
    present: (one) => one.closesAt !== null,
    cell: (one) => one.closesAt && lastDay(one.closesAt),
  },
  {
    id: 'made',
    title: say('links.made'),
    width: 190,
    cell: (one) => (
      <span className="text-soft">
        {date(one.createdAt)}, {one.createdBy}
      </span>
    ),
  },
  {
    id: 'address',
    title: '',
    width: 130,
    cell: (one) => <CopyAddress address={one.address} title={one.title} />,
  },
];

/** Forms that are shared by a link. */
export default function LinksRoom() {
  const place = useListPlace();
  const { page } = place;
  const list = useQuery({
    queryKey: ['form-links', page],
    queryFn: () => answer(api.GET('/api/v1/form-links', { params: { query: { page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('links.links')}>
        <Link to="/intake">{say('intake.intake')}</Link>
        <Link
          to="/intake/links/new"
          className="inline-flex min-h-8 items-center rounded-sm border border-bottle bg-bottle px-3 font-medium text-onbottle no-underline"
        >
          {say('links.share')}
        </Link>
      </RoomTitle>
      <ListRoom
        label={say('links.links')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/intake/links/${one.id}`}
        waiting={say('links.looking')}
        empty={say('links.none')}
      />
    </>
  );
}
