import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { useMay } from '../../office/roles';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import { useListPlace } from '../../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../../ui/parts';
import { dateTime } from '../../ui/time';
import { LastCheck } from './LastCheck';

type Row = Schemas['DailyRootRow'];

const columns: Column<Row>[] = [
  {
    id: 'number',
    title: say('roots.root'),
    width: 80,
    cell: (row) => String(row.number),
  },
  {
    id: 'stamped',
    title: say('roots.time-stamped'),
    width: 220,
    cell: (row) =>
      row.stampedAt ? (
        <span title={row.stampedBy}>{dateTime(row.stampedAt)}</span>
      ) : (
        <span className="text-oxide">{say('roots.stamp-does-not-hold')}</span>
      ),
  },
  {
    id: 'agreements',
    title: say('roots.agreements'),
    width: 120,
    cell: (row) => String(row.agreements),
  },
  {
    id: 'changed',
    title: say('roots.went-on'),
    width: 120,
    cell: (row) => String(row.changed),
  },
  {
    id: 'hash',
    title: say('roots.hash'),
    width: 320,
    cell: (row) => (
      <span className="block truncate font-mono text-sm text-soft" title={row.root}>
        {row.root}
      </span>
    ),
  },
  {
    id: 'files',
    title: say('roots.to-check-it-elsewhere'),
    width: 320,
    cell: (row) => (
      <span className="flex gap-4">
        <a
          href={`/api/v1/daily-roots/${row.number}.json`}
          aria-label={say('roots.statement-of', { number: row.number })}
        >
          {say('roots.statement')}
        </a>
        <a
          href={`/api/v1/daily-roots/${row.number}.tst`}
          aria-label={say('roots.token-of', { number: row.number })}
        >
          {say('roots.token')}
        </a>
        <a
          href={`/api/v1/daily-roots/${row.number}/evidence-records.zip`}
          aria-label={say('roots.records-of', { number: row.number })}
        >
          {say('roots.records')}
        </a>
      </span>
    ),
  },
];

/** The roots that were time-stamped day by day, and whether all that is kept still agrees with them. */
export default function RootsRoom() {
  const place = useListPlace();
  const { at } = place;
  const queries = useQueryClient();
  const { after, before } = at;
  const list = useQuery({
    queryKey: ['daily-roots', at],
    queryFn: () => answer(api.GET('/api/v1/daily-roots', { params: { query: { after, before } } })),
    placeholderData: keepPreviousData,
  });
  const make = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/daily-roots')),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['daily-roots'] }),
  });
  const coordinator = useMay('COORDINATOR');
  return (
    <>
      <RoomTitle title={say('roots.daily-roots')}>
        {coordinator && (
          <Button disabled={make.isPending} onClick={() => make.mutate()}>
            {say('roots.make-one-now')}
          </Button>
        )}
      </RoomTitle>
      <p className="max-w-[48rem] pb-4 text-soft">{say('roots.what-they-are')}</p>
      <Trouble error={make.error} />
      <LastCheck fixed={!coordinator} />
      <ListRoom
        label={say('roots.daily-roots')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(row) => String(row.number)}
        waiting={say('roots.opening')}
        empty={say('roots.none-yet')}
      />
    </>
  );
}
