import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { AgreementRows } from '../agreements/AgreementRows';
import { answer, api, type Schemas } from '../api/client';
import { requestColumns } from '../intake/requestColumns';
import { List, type Column } from '../ui/list/List';
import { Button, Empty, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { dateTime, since } from '../ui/time';

/** What needs the coordinator now. */
export default function TodayRoom() {
  const [most, setMost] = useState(50);
  const today = useQuery({
    queryKey: ['today', most],
    queryFn: () => answer(api.GET('/api/v1/today', { params: { query: { most } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 5000,
  });
  const more = () => setMost(Math.min(most + 200, 1000));
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (number: string) =>
      answer(api.POST('/api/v1/agreements/{number}/another-try', { params: { path: { number } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['today'] }),
  });
  if (today.isPending) return <Waiting what="Looking what there is today…" />;
  if (!today.data) return <Trouble error={today.error} />;
  const { failed, requests, toCheck, out, ended, completed } = today.data;
  const nothing = ![failed, requests, toCheck, out, ended, completed].some((list) => list.total);
  return (
    <>
      <RoomTitle title="Today" />
      <Trouble error={again.error} />
      {today.data.notices.map((one) => (
        <p key={one.title} role="status" className="mb-3 border-l-4 border-clay bg-sheet px-3 py-2">
          <strong className="font-medium">{one.title} is away</strong> since {dateTime(one.since)}.{' '}
          {one.reason} {waitingWords(one.waiting)}
        </p>
      ))}
      {nothing && (
        <Empty>
          Nothing is under way. <Link to="/templates">Bring in a template</Link>, publish it, and
          fill its form in <Link to="/intake">Intake</Link>.
        </Empty>
      )}
      <Part title="Stuck" list={failed} onMore={more}>
        <List
          label="Stuck"
          list={asList(failed)}
          columns={stuck((number) => again.mutate(number), again.isPending)}
          keyOf={(one) => one.agreement + one.since}
          to={(one) => `/agreements/${one.agreement}`}
        />
      </Part>
      <Part title="Requests to turn into agreements" list={requests} onMore={more}>
        <List
          label="Requests to turn into agreements"
          list={asList(requests)}
          columns={waitingRequests}
          keyOf={(one) => one.number}
          to={(one) => `/intake/${one.number}`}
        />
      </Part>
      <Part title="To check and send" list={toCheck} onMore={more}>
        <AgreementRows label="To check and send" items={toCheck.items} room="/agreements" />
      </Part>
      <Part title="With somebody" list={out} onMore={more}>
        <AgreementRows label="With somebody" items={out.items} room="/agreements" />
      </Part>
      <Part title="Ended without being completed" list={ended}>
        <AgreementRows
          label="Ended without being completed"
          items={ended.items}
          room="/agreements"
        />
      </Part>
      <Part title="Completed lately" list={completed}>
        <AgreementRows label="Completed lately" items={completed.items} room="/archive" />
      </Part>
    </>
  );
}

const waitingRequests = requestColumns.filter((one) => one.id !== 'agreement');

function asList<Row>({ items }: { items: Row[] }) {
  return { items, total: items.length, page: 0, size: items.length };
}

function stuck(onTry: (number: string) => void, busy: boolean): Column<Schemas['Failed']>[] {
  return [
    {
      id: 'number',
      title: 'Agreement',
      width: 120,
      cell: (one) => <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>,
    },
    {
      id: 'reason',
      title: 'What is wrong',
      width: 560,
      cell: (one) => (
        <span className="whitespace-normal text-oxide" title={one.reason}>
          {one.reason}
        </span>
      ),
    },
    {
      id: 'since',
      title: 'Since',
      width: 130,
      cell: (one) => (
        <span className="text-soft" title={dateTime(one.since)}>
          {since(one.since)}
        </span>
      ),
    },
    {
      id: 'act',
      title: 'What to do',
      width: 190,
      cell: (one) => (
        <Button disabled={busy} onClick={() => onTry(one.agreement)}>
          Try {one.agreement} again
        </Button>
      ),
    },
  ];
}

function waitingWords(waiting: number): string {
  if (waiting === 0) return '';
  return waiting === 1
    ? 'One piece of work waits for it and goes on by itself.'
    : `${waiting} pieces of work wait for it and go on by themselves.`;
}

function Part({
  title,
  list,
  onMore,
  children,
}: {
  title: string;
  list: { items: unknown[]; total: number };
  /** Lists more of them; what is here lists only the newest. */
  onMore?: () => void;
  children: ReactNode;
}) {
  if (!list.total) return null;
  const left = list.total - list.items.length;
  return (
    <section className="pb-6" aria-label={title}>
      <h2 className="pb-1 text-lg">
        {title} <span className="text-soft">{list.total}</span>
      </h2>
      {children}
      {onMore && left > 0 && (
        <Button className="mt-2" onClick={onMore}>
          Show {left} older {left === 1 ? 'one' : 'ones'}
        </Button>
      )}
    </section>
  );
}
