import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { NamedForm } from '../NamedForm';
import { FindWho } from './FindWho';
import { RightsGrid } from './RightsGrid';
import { wanted, whoMay, type Group } from './rights';

/** What a group of templates is called, and who may do what with them. */
export function GroupForm({
  group,
  onKept,
  onClose,
}: {
  group: Group | undefined;
  onKept: (all: Group[]) => void;
  onClose: () => void;
}) {
  const [who, setWho] = useState(() => whoMay(group));
  return (
    <NamedForm
      id="group-name"
      title={group ? say('groups.change', { group: group.name }) : say('groups.make')}
      label={say('groups.name')}
      name={group?.name ?? ''}
      act={group ? say('groups.keep') : say('groups.make')}
      keep={(name) =>
        group
          ? answer(
              api.PUT('/api/v1/people/groups/{id}', {
                params: { path: { id: group.id } },
                body: { revision: group.revision, name, ...wanted(who) },
              }),
            )
          : answer(api.POST('/api/v1/people/groups', { body: { name, ...wanted(who) } }))
      }
      onKept={onKept}
      onClose={onClose}
    >
      <div>
        <RightsGrid all={who} onChange={setWho} />
        <p className="pt-1 text-soft">{say('groups.what-rights-are')}</p>
      </div>
      <FindWho without={who.map((one) => one.id)} onFound={(one) => setWho([...who, one])} />
    </NamedForm>
  );
}
