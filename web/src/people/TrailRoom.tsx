import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { inputLook, RoomTitle } from '../ui/parts';
import { dateTime } from '../ui/time';

const areas: Record<string, RoomCode> = {
  people: 'people.people',
  office: 'people.area-office',
  programs: 'programs.programs',
  webhooks: 'programs.webhooks',
  records: 'records.systems',
  filing: 'people.area-filing',
  retention: 'people.area-retention',
  person: 'people.area-person',
  trust: 'people.area-trust',
  files: 'people.area-files',
};

const areaWords = (area: string) => (areas[area] ? say(areas[area]) : area);

const columns: Column<Schemas['OfficeAct']>[] = [
  {
    id: 'at',
    title: say('people.when'),
    width: 150,
    cell: (one) => dateTime(one.at),
  },
  {
    id: 'by',
    title: say('people.who'),
    width: 200,
    cell: (one) => (one.program ? say('people.by-program', { name: one.name }) : one.name),
  },
  {
    id: 'area',
    title: say('people.area'),
    width: 150,
    cell: (one) => <span className="text-soft">{areaWords(one.area)}</span>,
  },
  { id: 'said', title: say('people.what'), width: 620, cell: (one) => one.said },
  {
    id: 'from',
    title: say('people.from'),
    width: 130,
    cell: (one) => <span className="text-soft">{one.from}</span>,
  },
];

/** What was done to the office, by whom. */
export default function TrailRoom() {
  const place = useListPlace();
  const { at, params, go } = place;
  const by = params.get('by') ?? '';
  const area = params.get('area') ?? '';
  const list = useQuery({
    queryKey: ['trail', at, by, area],
    queryFn: () => answer(api.GET('/api/v1/trail', { params: { query: { ...at, by, area } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('people.trail')}>
        {by && <Link to="/people/trail">{say('people.acts-of-all', { mail: by })}</Link>}
        <Link to="/people">{say('people.people')}</Link>
        <select
          aria-label={say('people.area')}
          className={`${inputLook} max-w-48`}
          value={area}
          onChange={(event) => go({ area: event.target.value, page: '' })}
        >
          <option value="">{say('people.all-areas')}</option>
          {Object.keys(areas).map((one) => (
            <option key={one} value={one}>
              {areaWords(one)}
            </option>
          ))}
        </select>
      </RoomTitle>
      <p className="max-w-[48rem] pb-4 text-soft">{say('people.trail-hint')}</p>
      <ListRoom
        label={say('people.trail')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => String(one.number)}
        waiting={say('people.looking-up')}
        empty={say('people.nothing-done')}
      />
    </>
  );
}
