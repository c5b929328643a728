import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { dateTime, since } from '../ui/time';
import { stageWords } from './requestWords';

/** What is compared of requests. */
export const requestColumns: Column<Schemas['RequestRow']>[] = [
  {
    id: 'number',
    title: say('intake.column-request'),
    width: 130,
    sort: 'number',
    cell: (one) => <Link to={`/intake/${one.number}`}>{one.number}</Link>,
  },
  { id: 'template', title: say('intake.template'), width: 230, cell: (one) => one.template },
  {
    id: 'from',
    title: say('intake.column-from'),
    width: 190,
    sort: 'from',
    cell: (one) => one.createdBy,
  },
  {
    id: 'stage',
    title: say('intake.stage'),
    width: 190,
    cell: (one) => (
      <span className={one.stage === 'DONE' ? 'text-moss' : 'text-clay'}>
        {stageWords(one.stage)}
      </span>
    ),
  },
  {
    id: 'created',
    title: say('intake.when'),
    width: 140,
    sort: 'created',
    cell: (one) => (
      <span className="text-soft" title={dateTime(one.createdAt)}>
        {since(one.createdAt)}
      </span>
    ),
  },
  {
    id: 'owner',
    title: say('intake.owner'),
    width: 160,
    sort: 'owner',
    cell: (one) => one.owner || <span className="text-soft">{say('intake.nobody')}</span>,
  },
  {
    id: 'agreement',
    title: say('intake.agreement'),
    width: 190,
    present: (one) => one.agreement !== '',
    cell: (one) =>
      one.agreement && (
        <Link to={one.further ? `/intake/${one.number}` : `/agreements/${one.agreement}`}>
          {one.further
            ? say('intake.and-further', { agreement: one.agreement, count: one.further })
            : one.agreement}
        </Link>
      ),
  },
];
