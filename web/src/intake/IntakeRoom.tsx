import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { allOf } from '../api/all';
import { answer, api } from '../api/client';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { requestColumns as columns } from './requestColumns';
import { Empty, RoomTitle } from '../ui/parts';

/** Requests for agreements, and the forms to fill. */
export default function IntakeRoom() {
  const place = useListPlace();
  const { page, sort } = place;
  const list = useQuery({
    queryKey: ['requests', sort, page],
    queryFn: () => answer(api.GET('/api/v1/requests', { params: { query: { sort, page } } })),
    placeholderData: keepPreviousData,
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
      <ListRoom
        label="Requests"
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.number}
        to={(one) => `/intake/${one.number}`}
        waiting="Looking up requests…"
        empty="No request yet. Fill one of the forms."
      />
    </>
  );
}
