import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { allOf } from '../api/all';
import { answer, api } from '../api/client';
import { Pager, useListPlace } from '../ui/ListTools';
import { Empty, RoomTitle, Table, Trouble, Waiting } from '../ui/parts';
import { dateTime } from '../ui/time';

/** Requests for agreements, and the forms to fill. */
export default function IntakeRoom() {
  const { page, go } = useListPlace();
  const list = useQuery({
    queryKey: ['requests', page],
    queryFn: () => answer(api.GET('/api/v1/requests', { params: { query: { page } } })),
  });
  const templates = useQuery({
    queryKey: ['templates', 'all'],
    queryFn: () =>
      allOf((number) =>
        answer(api.GET('/api/v1/templates', { params: { query: { page: number } } })),
      ),
  });
  const usable = templates.data?.filter((one) => one.publishedVersion > 0) ?? [];
  return (
    <>
      <RoomTitle title="Intake" />
      <section aria-label="Forms" className="pb-6">
        <h2 className="pb-1 text-lg">Fill a form</h2>
        {usable.length === 0 && (
          <Empty>
            Every published template has a form. Publish one in{' '}
            <Link to="/templates">Templates</Link>.
          </Empty>
        )}
        <ul className="flex flex-wrap gap-x-6 gap-y-1">
          {usable.map((one) => (
            <li key={one.id}>
              <Link to={`/intake/new/${one.id}`} className="inline-block py-1">
                {one.name}
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <h2 className="pb-1 text-lg">Requests</h2>
      <Trouble error={list.error} />
      {list.isPending && <Waiting what="Looking up requests…" />}
      {list.data && list.data.total === 0 && <Empty>No request yet. Fill one of the forms.</Empty>}
      {list.data && list.data.total > 0 && (
        <>
          <Table head={['Request', 'Template', 'From', 'When', 'Agreement']}>
            {list.data.items.map((one) => (
              <tr key={one.number}>
                <td>
                  <Link to={`/intake/${one.number}`}>{one.number}</Link>
                </td>
                <td>{one.template}</td>
                <td>{one.createdBy}</td>
                <td className="text-soft">{dateTime(one.createdAt)}</td>
                <td>
                  {one.agreement ? (
                    <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>
                  ) : (
                    <span className="text-clay">not made yet</span>
                  )}
                </td>
              </tr>
            ))}
          </Table>
          <Pager {...list.data} onPage={(next) => go({ page: String(next) })} />
        </>
      )}
    </>
  );
}
