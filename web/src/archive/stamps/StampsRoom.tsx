import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import { Chips } from '../../ui/list/ListTools';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import { useListPlace } from '../../ui/list/useListPlace';
import { RoomTitle, Trouble } from '../../ui/parts';
import { date, dateTime } from '../../ui/time';
import { useStamps, useStampsState } from './queries';
import { StampsState } from './StampsState';
import { coverWords, standingWords } from './stampWords';

type Row = Schemas['ArchiveStampRow'];

const pressing = ['DUE', 'TO_HASH_ANEW', 'ENDED'];

const columns: Column<Row>[] = [
  {
    id: 'number',
    title: say('stamps.stamp'),
    width: 80,
    cell: (row) => String(row.number),
  },
  {
    id: 'due',
    title: say('stamps.renewed-from'),
    width: 130,
    cell: (row) => date(row.dueAt),
  },
  {
    id: 'standing',
    title: say('stamps.standing'),
    width: 180,
    cell: (row) => (
      <span className={pressing.includes(row.standing) ? 'text-oxide' : ''}>
        {standingWords(row)}
      </span>
    ),
  },
  {
    id: 'covers',
    title: say('stamps.covers'),
    width: 260,
    cell: coverWords,
  },
  {
    id: 'stamped',
    title: say('stamps.stamped'),
    width: 190,
    cell: (row) => <span title={row.stampedBy}>{dateTime(row.stampedAt)}</span>,
  },
  {
    id: 'ends',
    title: say('stamps.certificate-ends'),
    width: 150,
    cell: (row) => date(row.endsAt),
  },
  {
    id: 'algorithm',
    title: say('stamps.algorithm'),
    width: 100,
    cell: (row) => row.algorithm,
  },
  {
    id: 'token',
    title: say('roots.to-check-it-elsewhere'),
    width: 160,
    cell: (row) => (
      <a
        href={`/api/v1/archive/stamps/${row.number}.tst`}
        aria-label={say('stamps.token-of', { stamp: row.number })}
      >
        {say('roots.token')}
      </a>
    ),
  },
];

/** The time stamps that the archive rests on, and when each of them has to be renewed. */
export default function StampsRoom() {
  const place = useListPlace();
  const all = place.params.get('all') === 'yes';
  const list = useStamps(all, place.page);
  const state = useStampsState();
  const coordinator = useMay('COORDINATOR');
  return (
    <>
      <RoomTitle title={say('stamps.archive-time-stamps')} />
      <p className="max-w-[48rem] pb-4 text-soft">{say('stamps.what-they-are')}</p>
      <Trouble error={state.error} />
      {state.data && <StampsState state={state.data} fixed={!coordinator} />}
      <Chips
        label={say('stamps.which')}
        options={[
          { value: 'force', words: say('stamps.in-force') },
          { value: 'all', words: say('stamps.all') },
        ]}
        required
        chosen={all ? 'all' : 'force'}
        onChoose={(which) => place.go({ all: which === 'all' ? 'yes' : '', page: '' })}
      />
      <ListRoom
        label={say('stamps.archive-time-stamps')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(row) => String(row.number)}
        waiting={say('stamps.opening')}
        empty={say('stamps.none-yet')}
      />
    </>
  );
}
