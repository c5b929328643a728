import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DropFiles } from '../../ui/DropFiles';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import { useListPlace } from '../../ui/list/useListPlace';
import { RoomTitle, Trouble } from '../../ui/parts';
import { dateTime } from '../../ui/time';
import { scanFiles, useBringScans, type ScanRow } from '../paper/usePaper';
import { scanWords } from './ScanStates';

const columns: Column<ScanRow>[] = [
  {
    id: 'name',
    title: say('scans.file'),
    width: 260,
    cell: (one) => (
      <Link to={`/agreements/scans/${one.id}`}>{one.name || say('scans.nameless')}</Link>
    ),
  },
  {
    id: 'agreements',
    title: say('scans.of'),
    width: 220,
    cell: (one) =>
      one.agreements.map((number, i) => (
        <span key={number}>
          {i > 0 && ', '}
          <Link to={`/agreements/${number}`}>{number}</Link>
        </span>
      )),
    present: (one) => one.agreements.length > 0,
  },
  {
    id: 'state',
    title: say('scans.what-was-found'),
    width: 320,
    cell: (one) => (
      <span className={one.state === 'REFUSED' ? 'text-oxide' : one.loose > 0 ? 'text-clay' : ''}>
        {scanWords(one)}
      </span>
    ),
  },
  {
    id: 'by',
    title: say('scans.by'),
    width: 150,
    cell: (one) => <span className="text-soft">{one.broughtBy}</span>,
  },
  {
    id: 'at',
    title: say('scans.when'),
    width: 150,
    cell: (one) => <span className="text-soft">{dateTime(one.broughtAt)}</span>,
  },
];

/** Scans of signed paper: a stack is dropped here, and each page finds its agreement by its mark. */
export default function ScansRoom() {
  const place = useListPlace();
  const { page } = place;
  const bring = useBringScans('');
  const list = useQuery({
    queryKey: ['scans', page],
    queryFn: () => answer(api.GET('/api/v1/scans', { params: { query: { page } } })),
    placeholderData: keepPreviousData,
    refetchInterval: (query) =>
      query.state.data?.items.some((one) => one.state === 'READING') ? 1200 : false,
  });
  return (
    <>
      <RoomTitle title={say('scans.signed-paper')} />
      <DropFiles
        says={say('scans.drop-here')}
        what={say('scans.to-bring')}
        accept={scanFiles}
        disabled={bring.isPending}
        several
        onFiles={(files) => bring.mutate(files)}
      >
        {bring.isPending ? say('scans.bringing') : say('scans.choose')}
      </DropFiles>
      <Trouble error={bring.error} />
      <ListRoom
        label={say('scans.scans')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/agreements/scans/${one.id}`}
        waiting={say('scans.looking-up')}
        empty={say('scans.none-yet')}
      />
    </>
  );
}
