import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, RoomTitle } from '../ui/parts';
import { dateTime } from '../ui/time';
import { EntryRule } from './EntryRule';
import { Invite } from './Invite';
import { factorWords, roleWords, standingWords, type OfficePerson } from './people';

const columns: Column<OfficePerson>[] = [
  {
    id: 'name',
    title: say('people.name'),
    width: 200,
    sort: 'name',
    cell: (one) => <Link to={`/people/${one.id}`}>{one.name}</Link>,
  },
  {
    id: 'mail',
    title: say('office.mail-address'),
    width: 280,
    sort: 'mail',
    cell: (one) => one.mail,
  },
  {
    id: 'roles',
    title: say('people.roles'),
    width: 220,
    cell: (one) => roleWords(one.roles),
  },
  {
    id: 'teams',
    title: say('people.teams'),
    width: 140,
    cell: (one) => one.teams.join(', '),
  },
  {
    id: 'standing',
    title: say('people.standing'),
    width: 110,
    cell: (one) => (
      <span className={one.standing === 'OPEN' ? '' : 'text-clay'}>
        {standingWords(one.standing)}
      </span>
    ),
  },
  {
    id: 'factor',
    title: say('people.beside-password'),
    width: 160,
    cell: (one) => <span className="text-soft">{factorWords(one.shows)}</span>,
  },
  {
    id: 'seen',
    title: say('people.last-in'),
    width: 150,
    sort: 'signed-in',
    cell: (one) => (
      <span className="text-soft">
        {one.signedInAt ? dateTime(one.signedInAt) : say('people.never')}
      </span>
    ),
  },
];

/** Who may come in, and what they may. */
export default function PeopleRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const navigate = useNavigate();
  const [invites, setInvites] = useState(false);
  const list = useQuery({
    queryKey: ['people', find, sort, page],
    queryFn: () => answer(api.GET('/api/v1/people', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  return (
    <>
      <RoomTitle title={say('people.people')}>
        <Link to="/people/teams">{say('people.teams')}</Link>
        <Link to="/people/groups">{say('groups.title')}</Link>
        <Link to="/people/trail">{say('people.trail')}</Link>
        <Link to="/office/files">{say('files.title')}</Link>
        <Filter
          label={say('people.find')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
        <Button look="main" onClick={() => setInvites(true)}>
          {say('people.invite')}
        </Button>
      </RoomTitle>
      <ListRoom
        label={say('people.people')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/people/${one.id}`}
        waiting={say('people.looking-up')}
        empty={say('people.none-called-so')}
      />
      <EntryRule />
      {invites && (
        <Invite
          onClose={() => setInvites(false)}
          onInvited={(person) => void navigate(`/people/${person.person.id}`)}
        />
      )}
    </>
  );
}
