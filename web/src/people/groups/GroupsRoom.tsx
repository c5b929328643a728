import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Empty, RoomTitle, Table, Trouble } from '../../ui/parts';
import { ChangeOrTakeOut } from '../ChangeOrTakeOut';
import { Unshown } from '../../ui/Unshown';
import { GroupedTemplates } from './GroupedTemplates';
import { GroupForm } from './GroupForm';
import { byWords, circleWords, rights, type Group } from './rights';

/** Groups of templates: who may use, prepare and see them, and what is made from them. */
export default function GroupsRoom() {
  const queries = useQueryClient();
  const [open, setOpen] = useState<Group | 'new'>();
  const groups = useQuery({
    queryKey: ['groups'],
    queryFn: () => answer(api.GET('/api/v1/people/groups')),
  });
  const took = (all: Group[]) => {
    queries.setQueryData(['groups'], all);
    void queries.invalidateQueries({ queryKey: ['groups', 'templates'] });
    setOpen(undefined);
  };
  const remove = useMutation({
    mutationFn: (id: string) =>
      answer(api.DELETE('/api/v1/people/groups/{id}', { params: { path: { id } } })),
    onSuccess: took,
  });
  return (
    <>
      <RoomTitle title={say('groups.title')}>
        <Link to="/people">{say('people.people')}</Link>
        <Link to="/people/teams">{say('people.teams')}</Link>
        <Button look="main" onClick={() => setOpen('new')}>
          {say('groups.make')}
        </Button>
      </RoomTitle>
      <Trouble error={remove.error} />
      {!groups.data && <Unshown query={groups} waiting={say('people.looking-up')} />}
      {groups.data?.length === 0 && <Empty>{say('groups.no-groups')}</Empty>}
      {groups.data && groups.data.length > 0 && (
        <Table
          head={[
            say('groups.group'),
            ...rights.map((right) => byWords[right]),
            say('groups.how-many'),
            '',
          ]}
        >
          {groups.data.map((group) => (
            <tr key={group.id}>
              <td className="py-1 font-medium">{group.name}</td>
              {rights.map((right) => (
                <td key={right} className="py-1">
                  {circleWords(group[right])}
                </td>
              ))}
              <td className="py-1">{group.templates}</td>
              <td className="py-1 text-right whitespace-nowrap">
                <ChangeOrTakeOut
                  change={say('groups.change', { group: group.name })}
                  takeOut={say('groups.remove', { group: group.name })}
                  busy={remove.isPending}
                  onChange={() => setOpen(group)}
                  onTakeOut={() => remove.mutate(group.id)}
                />
              </td>
            </tr>
          ))}
        </Table>
      )}
      {groups.data && groups.data.length > 0 && <GroupedTemplates groups={groups.data} />}
      {open && (
        <GroupForm
          group={open === 'new' ? undefined : open}
          onKept={took}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}
