import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, RoomTitle, Trouble } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { dateTime } from '../../ui/time';
import { scanWords } from './ScanStates';
import { WhichPage } from './WhichPage';

type Page = Schemas['ScanPageView'];

/** A scan with its pages: whose each is, and by hand where its mark can't be read. */
export default function ScanRoom() {
  const { id = '' } = useParams();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [sure, setSure] = useState(false);
  const scan = useQuery({
    queryKey: ['scans', 'one', id],
    queryFn: () => answer(api.GET('/api/v1/scans/{id}', { params: { path: { id } } })),
    refetchInterval: (query) => (query.state.data?.scan.state === 'READING' ? 1200 : false),
  });
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/scans/{id}', { params: { path: { id } } })),
    onSuccess: async () => {
      void queries.invalidateQueries({ queryKey: ['scans'] });
      void queries.invalidateQueries({ queryKey: ['paper'] });
      await navigate('/agreements/scans');
    },
  });
  if (!scan.data) return <Unshown query={scan} waiting={say('scans.looking-up')} />;
  const { scan: file, pages } = scan.data;
  return (
    <>
      <RoomTitle title={file.name || say('scans.nameless')}>
        <span className="text-soft">
          {say('scans.brought', { by: file.broughtBy, at: dateTime(file.broughtAt) })}
        </span>
        {sure ? (
          <>
            <Button look="grave" disabled={remove.isPending} onClick={() => remove.mutate()}>
              {say('scans.throw-away-really')}
            </Button>
            <Button onClick={() => setSure(false)}>{say('scans.keep')}</Button>
          </>
        ) : (
          <Button onClick={() => setSure(true)}>{say('scans.throw-away')}</Button>
        )}
      </RoomTitle>
      <p role="status" className={`pb-3 ${file.state === 'REFUSED' ? 'text-oxide' : 'text-soft'}`}>
        {scanWords(file)}
      </p>
      <Trouble error={remove.error} />
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-5">
        {pages.map((page) => (
          <li key={page.number} className="border border-rule bg-sheet p-3">
            <OnePage scan={id} page={page} settled={file.state !== 'READING'} />
          </li>
        ))}
      </ul>
    </>
  );
}

function OnePage({ scan, page, settled }: { scan: string; page: Page; settled: boolean }) {
  const { number, of, said, shown, kind } = page;
  const title = say('scans.page', { number });
  return (
    <>
      <h2 className="pb-1 text-lg">{title}</h2>
      {shown && (
        <img
          src={`/api/v1/scans/${scan}/pages/${number}.jpg`}
          alt={title}
          loading="lazy"
          className="mb-2 block aspect-[1/1.414] w-full border border-rule object-contain object-top"
        />
      )}
      {of ? (
        <p>
          <Link to={`/agreements/${of.number}/paper`} className="underline underline-offset-3">
            {of.number}
          </Link>{' '}
          {say('scans.page-of', { title: of.title, page: of.page, pages: of.pages })}
          {page.inDoubt > 0 && (
            <span className="block text-clay">
              {say('paper.places-to-look-at', { count: page.inDoubt })}
            </span>
          )}
        </p>
      ) : (
        <p className={kind === 'BLANK' ? 'text-soft' : 'text-clay'}>{said}</p>
      )}
      {settled && shown && kind !== 'BLANK' && (
        <WhichPage scan={scan} number={number} known={of?.number ?? ''} />
      )}
    </>
  );
}
