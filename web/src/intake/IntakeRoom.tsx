import { say } from '../messages/rooms';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { allOf } from '../api/all';
import { answer, api } from '../api/client';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { BegunForms } from './BegunForms';
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
      <RoomTitle title={say('intake.intake')}>
        <Link to="/intake/links">{say('links.links')}</Link>
        <Link to="/intake/files">{say('recognition.made-elsewhere')}</Link>
      </RoomTitle>
      <BegunForms />
      <section aria-label={say('intake.forms')} className="pb-6">
        <h2 className="pb-1 text-lg">{say('intake.fill-a-form')}</h2>
        {usable.length === 0 && (
          <Empty>
            {say('intake.every-published-template-has-a')}
            <Link to="/templates">{say('intake.templates')}</Link>.
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
      <h2 className="pb-1 text-lg">{say('intake.requests')}</h2>
      <ListRoom
        label={say('intake.requests')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.number}
        to={(one) => `/intake/${one.number}`}
        waiting={say('intake.looking-up-requests')}
        empty={say('intake.no-request-yet-fill-one')}
      />
    </>
  );
}
