import { say } from '../messages/rooms';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import type { Column } from '../ui/list/List';
import { dateTime } from '../ui/time';

/** What is compared of requests. */
export const requestColumns: Column<Schemas['RequestRow']>[] = [
  {
    id: 'number',
    title: say('intake.column-request'),
    width: 130,
    sort: 'number',
    cell: (one) => <Link to={`/intake/${one.number}`}>{one.number}</Link>,
  },
  { id: 'template', title: say('intake.template'), width: 300, cell: (one) => one.template },
  { id: 'from', title: say('intake.column-from'), width: 200, cell: (one) => one.createdBy },
  {
    id: 'created',
    title: say('intake.when'),
    width: 180,
    sort: 'created',
    cell: (one) => <span className="text-soft">{dateTime(one.createdAt)}</span>,
  },
  {
    id: 'agreement',
    title: say('intake.agreement'),
    width: 150,
    cell: (one) =>
      one.agreement ? (
        <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>
      ) : (
        <span className="text-clay">{say('intake.not-made-yet')}</span>
      ),
  },
];
