import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { Button } from '../../ui/parts';
import { date } from '../../ui/time';
import { kindWords, leftWords, overWords } from './dateWords';
import { Renewals } from './Renewals';
import type { WatchedDate } from './queries';

/** A date in the list. @param onDeal none for who may only look */
export function dateColumns(
  onDeal: ((one: WatchedDate) => void) | undefined,
): Column<WatchedDate>[] {
  return [
    {
      id: 'day',
      title: say('dates.day'),
      width: 120,
      sort: 'day',
      cell: ({ day }) => <span className="whitespace-nowrap tabular-nums">{date(day)}</span>,
    },
    {
      id: 'left',
      title: say('dates.left'),
      width: 110,
      present: ({ state }) => state === 'OPEN',
      cell: ({ state, left }) =>
        state === 'OPEN' && (
          <span className={left < 0 ? 'text-oxide' : left <= 30 ? 'text-clay' : 'text-soft'}>
            {leftWords(left)}
          </span>
        ),
    },
    {
      id: 'what',
      title: say('dates.what'),
      width: 190,
      cell: ({ what }) => what,
    },
    {
      id: 'kind',
      title: say('dates.kind'),
      width: 90,
      cell: ({ kind }) => <span className="text-soft">{kindWords(kind)}</span>,
    },
    {
      id: 'agreement',
      title: say('dates.agreement'),
      width: 260,
      cell: (one) => (
        <>
          <Link to={`/archive/${one.number}`}>{one.title}</Link>{' '}
          <span className="text-soft">{one.number}</span>
          <Renewals renewals={one.renewals} />
        </>
      ),
    },
    {
      id: 'owner',
      title: say('dates.owner'),
      width: 120,
      cell: ({ owner }) => owner || <span className="text-soft">{say('dates.nobody')}</span>,
    },
    {
      id: 'state',
      title: say('dates.became'),
      width: 150,
      present: ({ state }) => state !== 'OPEN',
      cell: (one) => one.state !== 'OPEN' && overWords(one),
    },
    ...(onDeal
      ? [
          {
            id: 'act',
            title: say('dates.act'),
            width: 130,
            cell: (one: WatchedDate) => (
              <Button className="min-h-7" onClick={() => onDeal(one)}>
                {say(one.state === 'OPEN' ? 'dates.deal' : 'dates.look')}
                <span className="sr-only">{`${one.what} ${one.number}`}</span>
              </Button>
            ),
          },
        ]
      : []),
  ];
}
