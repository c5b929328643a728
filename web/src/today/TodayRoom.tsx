import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { AgreementRows } from '../agreements/AgreementRows';
import { answer, api } from '../api/client';
import { Button, Empty, RoomTitle, Table, Trouble, Waiting } from '../ui/parts';
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
        <Table head={['Agreement', 'What is wrong', 'Since', 'What to do']}>
          {failed.items.map((one) => (
            <tr key={one.agreement + one.since}>
              <td>
                <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>
              </td>
              <td className="text-oxide">{one.reason}</td>
              <td className="text-soft">{since(one.since)}</td>
              <td>
                <Button disabled={again.isPending} onClick={() => again.mutate(one.agreement)}>
                  Try {one.agreement} again
                </Button>
              </td>
            </tr>
          ))}
        </Table>
      </Part>
      <Part title="Requests to turn into agreements" list={requests} onMore={more}>
        <Table head={['Request', 'Template', 'From', 'Since']}>
          {requests.items.map((one) => (
            <tr key={one.number}>
              <td>
                <Link to={`/intake/${one.number}`}>{one.number}</Link>
              </td>
              <td>{one.template}</td>
              <td>{one.createdBy}</td>
              <td className="text-soft">{dateTime(one.createdAt)}</td>
            </tr>
          ))}
        </Table>
      </Part>
      <Part title="To check and send" list={toCheck} onMore={more}>
        <AgreementRows items={toCheck.items} room="/agreements" />
      </Part>
      <Part title="With somebody" list={out} onMore={more}>
        <AgreementRows items={out.items} room="/agreements" />
      </Part>
      <Part title="Ended without being completed" list={ended}>
        <AgreementRows items={ended.items} room="/agreements" />
      </Part>
      <Part title="Completed lately" list={completed}>
        <AgreementRows items={completed.items} room="/archive" />
      </Part>
    </>
  );
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
