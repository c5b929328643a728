import { say } from '../messages/rooms';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { Blind } from '../blind/Blind';
import type { Column } from '../ui/list/List';
import { dateTime, since } from '../ui/time';
import { nextOf, openedBy, stateWords, waitingFor } from '../ui/words';

type Item = Schemas['AgreementItem'];
export type AgreementsAt = '/agreements' | '/archive';

const stateLook: Partial<Record<Item['state'], string>> = {
  COMPLETED: 'text-moss',
  CHECK: 'text-clay',
  OUT: 'text-clay',
  DECLINED: 'text-oxide',
  EXPIRED: 'text-oxide',
  WITHDRAWN: 'text-oxide',
};

/** What a coordinator compares of agreements: what, where it stands, with whom, since when. */
export function agreementColumns(room: AgreementsAt): Column<Item>[] {
  return [
    {
      id: 'route',
      title: say('agreements.route'),
      width: 80,
      cell: (item) => <Blind slats={item.route} sealed={item.state === 'COMPLETED'} />,
    },
    {
      id: 'number',
      title: say('agreements.number'),
      width: 120,
      sort: 'number',
      cell: (item) => (
        <Link to={`${room}/${item.number}`} className="whitespace-nowrap">
          {item.number}
        </Link>
      ),
    },
    {
      id: 'title',
      title: say('agreements.agreement'),
      width: 320,
      sort: 'title',
      cell: (item) => item.title,
    },
    {
      id: 'template',
      title: say('agreements.template'),
      width: 170,
      sort: 'template',
      cell: (item) => <span className="text-soft">{item.template}</span>,
    },
    {
      id: 'state',
      title: say('agreements.state'),
      width: 120,
      cell: (item) => <span className={stateLook[item.state] ?? ''}>{stateWords[item.state]}</span>,
    },
    {
      id: 'waits',
      title: say('agreements.waits-for'),
      width: 220,
      cell: waitingFor,
      present: (item) => waitingFor(item) !== '',
    },
    {
      id: 'opened',
      title: say('agreements.opened'),
      width: 90,
      cell: (item) => <span className="text-soft">{openedBy(item)}</span>,
      present: (item) => openedBy(item) !== '',
    },
    {
      id: 'next',
      title: say('agreements.next'),
      width: 190,
      cell: ({ next }) => next && <span title={dateTime(next.at)}>{nextOf(next)}</span>,
      present: ({ next }) => next !== null,
    },
    {
      id: 'since',
      title: say('agreements.since'),
      width: 140,
      sort: 'since',
      cell: (item) => (
        <span className="text-soft" title={dateTime(item.since)}>
          {since(item.since)}
        </span>
      ),
    },
  ];
}
