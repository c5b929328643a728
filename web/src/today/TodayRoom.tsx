import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { AgreementRows } from '../agreements/AgreementRows';
import { answer, api } from '../api/client';
import { Button, Empty, RoomTitle, Table, Trouble, Waiting } from '../ui/parts';
import { dateTime, since } from '../ui/time';

/** What needs the coordinator now. */
export default function TodayRoom() {
  const today = useQuery({
    queryKey: ['today'],
    queryFn: () => answer(api.GET('/api/v1/today')),
    refetchInterval: 5000,
  });
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (number: string) =>
      answer(api.POST('/api/v1/agreements/{number}/another-try', { params: { path: { number } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['today'] }),
  });
  if (today.isPending) return <Waiting what="Looking what there is today…" />;
  if (!today.data) return <Trouble error={today.error} />;
  const { failed, requests, toCheck, out, ended, completed } = today.data;
  const nothing = ![failed, requests, toCheck, out, ended, completed].some((list) => list.length);
  return (
    <>
      <RoomTitle title="Today" />
      <Trouble error={again.error} />
      {nothing && (
        <Empty>
          Nothing is under way. <Link to="/templates">Bring in a template</Link>, publish it, and
          fill its form in <Link to="/intake">Intake</Link>.
        </Empty>
      )}
      <Part title="Stuck" count={failed.length}>
        <Table head={['Agreement', 'What is wrong', 'Since', 'What to do']}>
          {failed.map((one) => (
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
      <Part title="Requests to turn into agreements" count={requests.length}>
        <Table head={['Request', 'Template', 'From', 'Since']}>
          {requests.map((one) => (
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
      <Part title="To check and send" count={toCheck.length}>
        <AgreementRows items={toCheck} room="/agreements" />
      </Part>
      <Part title="With somebody" count={out.length}>
        <AgreementRows items={out} room="/agreements" />
      </Part>
      <Part title="Ended without being completed" count={ended.length}>
        <AgreementRows items={ended} room="/agreements" />
      </Part>
      <Part title="Completed lately" count={completed.length}>
        <AgreementRows items={completed} room="/archive" />
      </Part>
    </>
  );
}

function Part({ title, count, children }: { title: string; count: number; children: ReactNode }) {
  if (!count) return null;
  return (
    <section className="pb-6" aria-label={title}>
      <h2 className="pb-1 text-lg">
        {title} <span className="text-soft">{count}</span>
      </h2>
      {children}
    </section>
  );
}
