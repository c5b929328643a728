import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Labelled } from '../ui/parts';
import { NamedForm } from './NamedForm';

type Team = Schemas['Team'];
type Member = Pick<Schemas['TeamMember'], 'id' | 'name' | 'mail'>;

/** What a team is called and who is in it. */
export function TeamForm({
  team,
  onKept,
  onClose,
}: {
  team: Team | undefined;
  onKept: (all: Team[]) => void;
  onClose: () => void;
}) {
  const [members, setMembers] = useState<Member[]>(team?.members ?? []);
  const people = members.map((one) => one.id);
  return (
    <NamedForm
      id="team-name"
      title={team ? say('people.change-team', { team: team.name }) : say('people.make-team')}
      label={say('people.team-name')}
      name={team?.name ?? ''}
      act={team ? say('people.keep-team') : say('people.make-team')}
      keep={(name) =>
        team
          ? answer(
              api.PUT('/api/v1/teams/{id}', {
                params: { path: { id: team.id } },
                body: { revision: team.revision, name, people },
              }),
            )
          : answer(api.POST('/api/v1/teams', { body: { name, people } }))
      }
      onKept={onKept}
      onClose={onClose}
    >
      <div>
        <p className="pb-1 font-medium">{say('people.who-is-in')}</p>
        {members.length === 0 && <p className="text-soft">{say('people.nobody-in-team')}</p>}
        <ul>
          {members.map((one) => (
            <li key={one.id} className="flex items-center gap-3 border-b border-rule py-1">
              <span className="grow">
                {one.name} <span className="text-soft">{one.mail}</span>
              </span>
              <Button
                aria-label={say('people.take-member-out', { name: one.name })}
                onClick={() => setMembers(members.filter(({ id }) => id !== one.id))}
              >
                {say('account.take-out')}
              </Button>
            </li>
          ))}
        </ul>
      </div>
      <FindMember without={people} onFound={(one) => setMembers([...members, one])} />
    </NamedForm>
  );
}

/** Finds people to put in, from all of them. */
function FindMember({
  without,
  onFound,
}: {
  without: string[];
  onFound: (person: Member) => void;
}) {
  const [find, setFind] = useState('');
  const found = useQuery({
    queryKey: ['people', find, 'name', 0],
    queryFn: () =>
      answer(api.GET('/api/v1/people', { params: { query: { find, sort: 'name', page: 0 } } })),
    placeholderData: keepPreviousData,
  });
  const others = (found.data?.items ?? []).filter(
    (one) => one.standing !== 'CLOSED' && !without.includes(one.id),
  );
  return (
    <div className="flex flex-col gap-2">
      <Labelled id="team-find" label={say('people.put-in')}>
        <input
          id="team-find"
          type="search"
          className={inputLook}
          placeholder={say('people.find')}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      </Labelled>
      <ul className="max-h-40 overflow-y-auto border border-rule">
        {others.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              className="min-h-8 w-full px-2 text-left hover:bg-slatted"
              onClick={() => onFound(one)}
            >
              {one.name} <span className="text-soft">{one.mail}</span>
            </button>
          </li>
        ))}
        {others.length === 0 && (
          <li className="px-2 py-1 text-soft">{say('people.nobody-else')}</li>
        )}
      </ul>
    </div>
  );
}
