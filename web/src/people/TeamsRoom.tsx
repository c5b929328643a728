import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, Empty, RoomTitle, Table, Trouble } from '../ui/parts';
import { ChangeOrTakeOut } from './ChangeOrTakeOut';
import { Unshown } from '../ui/Unshown';
import { TeamForm } from './TeamForm';

type Team = Schemas['Team'];

/** People of the office under one name. */
export default function TeamsRoom() {
  const queries = useQueryClient();
  const [open, setOpen] = useState<Team | 'new'>();
  const teams = useQuery({
    queryKey: ['teams'],
    queryFn: () => answer(api.GET('/api/v1/teams')),
  });
  const took = (all: Team[]) => {
    queries.setQueryData(['teams'], all);
    void queries.invalidateQueries({ queryKey: ['people'] });
    setOpen(undefined);
  };
  const remove = useMutation({
    mutationFn: (id: string) =>
      answer(api.DELETE('/api/v1/teams/{id}', { params: { path: { id } } })),
    onSuccess: took,
  });
  return (
    <>
      <RoomTitle title={say('people.teams')}>
        <Link to="/people">{say('people.people')}</Link>
        <Button look="main" onClick={() => setOpen('new')}>
          {say('people.make-team')}
        </Button>
      </RoomTitle>
      <Trouble error={remove.error} />
      {!teams.data && <Unshown query={teams} waiting={say('people.looking-up')} />}
      {teams.data?.length === 0 && <Empty>{say('people.no-teams')}</Empty>}
      {teams.data && teams.data.length > 0 && (
        <Table head={[say('people.team'), say('people.who-is-in'), '']}>
          {teams.data.map((team) => (
            <tr key={team.id}>
              <td className="py-1 font-medium whitespace-nowrap">{team.name}</td>
              <td className="py-1">
                {team.members
                  .map((one) =>
                    one.closed ? say('people.closed-member', { name: one.name }) : one.name,
                  )
                  .join(', ')}
              </td>
              <td className="py-1 text-right whitespace-nowrap">
                <ChangeOrTakeOut
                  change={say('people.change-team', { team: team.name })}
                  takeOut={say('people.remove-team', { team: team.name })}
                  busy={remove.isPending}
                  onChange={() => setOpen(team)}
                  onTakeOut={() => remove.mutate(team.id)}
                />
              </td>
            </tr>
          ))}
        </Table>
      )}
      {open && (
        <TeamForm
          team={open === 'new' ? undefined : open}
          onKept={took}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}
