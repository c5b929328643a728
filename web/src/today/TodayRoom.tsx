import { say } from '../messages/rooms';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { AgreementRows } from '../agreements/AgreementRows';
import { answer, api, type Schemas } from '../api/client';
import { requestColumns } from '../intake/requestColumns';
import { List, type Column } from '../ui/list/List';
import { Button, Empty, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
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
  if (!today.data)
    return <Unshown query={today} waiting={say('today.looking-what-there-is-today')} />;
  const { failed, requests, toCheck, out, ended, completed } = today.data;
  const nothing = ![failed, requests, toCheck, out, ended, completed].some((list) => list.total);
  return (
    <>
      <RoomTitle title={say('today.today')} />
      <Trouble error={again.error} />
      {today.data.notices.map((one) => (
        <p key={one.title} role="status" className="mb-3 border-l-4 border-clay bg-sheet px-3 py-2">
          <strong className="font-medium">{say('today.is-away', { title: one.title })}</strong>
          {say('today.since', {
            dateTime: dateTime(one.since),
            reason: one.reason,
            waitingWords: waitingWords(one.waiting),
          })}
        </p>
      ))}
      {nothing && (
        <Empty>
          {say('today.nothing-is-under-way')}
          <Link to="/templates">{say('today.bring-in-a-template')}</Link>
          {say('today.publish-it-and-fill-its')}
          <Link to="/intake">{say('today.intake')}</Link>.
        </Empty>
      )}
      <Part title={say('today.stuck')} list={failed} onMore={more}>
        <List
          label={say('today.stuck')}
          list={asList(failed)}
          columns={stuck((number) => again.mutate(number), again.isPending)}
          keyOf={(one) => one.agreement + one.since}
          to={(one) => `/agreements/${one.agreement}`}
        />
      </Part>
      <Part title={say('today.requests-to-turn-into-agreements')} list={requests} onMore={more}>
        <List
          label={say('today.requests-to-turn-into-agreements')}
          list={asList(requests)}
          columns={waitingRequests}
          keyOf={(one) => one.number}
          to={(one) => `/intake/${one.number}`}
        />
      </Part>
      <Part title={say('today.to-check-and-send')} list={toCheck} onMore={more}>
        <AgreementRows
          label={say('today.to-check-and-send')}
          items={toCheck.items}
          room="/agreements"
        />
      </Part>
      <Part title={say('today.with-somebody')} list={out} onMore={more}>
        <AgreementRows label={say('today.with-somebody')} items={out.items} room="/agreements" />
      </Part>
      <Part title={say('today.ended-without-being-completed')} list={ended}>
        <AgreementRows
          label={say('today.ended-without-being-completed')}
          items={ended.items}
          room="/agreements"
        />
      </Part>
      <Part title={say('today.completed-lately')} list={completed}>
        <AgreementRows
          label={say('today.completed-lately')}
          items={completed.items}
          room="/archive"
        />
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
      title: say('today.agreement'),
      width: 120,
      cell: (one) => <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>,
    },
    {
      id: 'reason',
      title: say('today.what-is-wrong'),
      width: 560,
      cell: (one) => (
        <span className="whitespace-normal text-oxide" title={one.reason}>
          {one.reason}
        </span>
      ),
    },
    {
      id: 'since',
      title: say('today.column-since'),
      width: 130,
      cell: (one) => (
        <span className="text-soft" title={dateTime(one.since)}>
          {since(one.since)}
        </span>
      ),
    },
    {
      id: 'act',
      title: say('today.what-to-do'),
      width: 190,
      cell: (one) => (
        <Button disabled={busy} onClick={() => onTry(one.agreement)}>
          {say('today.try-again', { agreement: one.agreement })}
        </Button>
      ),
    },
  ];
}

function waitingWords(waiting: number): string {
  if (waiting === 0) return '';
  return waiting === 1
    ? say('today.one-piece-of-work-waits')
    : say('today.pieces-of-work-wait-for', { waiting });
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
          {say('today.show-older', { left })}
        </Button>
      )}
    </section>
  );
}
