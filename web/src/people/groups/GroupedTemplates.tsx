import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import { Filter } from '../../ui/list/ListTools';
import { useListPlace } from '../../ui/list/useListPlace';
import { inputLook, Trouble } from '../../ui/parts';
import type { Group } from './rights';

type Item = Schemas['GroupedTemplate'];

/** Which template stands in which group, to be put elsewhere. */
export function GroupedTemplates({ groups }: { groups: Group[] }) {
  const queries = useQueryClient();
  const place = useListPlace();
  const { find, page, go } = place;
  const list = useQuery({
    queryKey: ['groups', 'templates', find, page],
    queryFn: () =>
      answer(api.GET('/api/v1/people/groups/templates', { params: { query: { find, page } } })),
    placeholderData: keepPreviousData,
  });
  const move = useMutation({
    mutationFn: async ({ template, group }: { template: string; group: string }) => {
      await (group
        ? answer(
            api.PUT('/api/v1/people/groups/{id}/templates/{template}', {
              params: { path: { id: group, template } },
            }),
          )
        : answer(
            api.DELETE('/api/v1/people/groups/templates/{template}', {
              params: { path: { template } },
            }),
          ));
    },
    onSettled: () => queries.invalidateQueries({ queryKey: ['groups'] }),
  });
  const columns: Column<Item>[] = [
    {
      id: 'name',
      title: say('templates.template'),
      width: 360,
      cell: (one) => (
        <>
          {one.name} {one.retired && <span className="text-soft">{say('groups.retired')}</span>}
        </>
      ),
    },
    {
      id: 'group',
      title: say('groups.group'),
      width: 320,
      cell: (one) => (
        <select
          className={`${inputLook} w-full`}
          aria-label={say('groups.group-of', { template: one.name })}
          value={one.group ?? ''}
          disabled={move.isPending}
          onChange={(event) => move.mutate({ template: one.id, group: event.target.value })}
        >
          <option value="">{say('groups.none-open')}</option>
          {groups.map((group) => (
            <option key={group.id} value={group.id}>
              {group.name}
            </option>
          ))}
        </select>
      ),
    },
  ];
  return (
    <section className="pt-6" aria-label={say('groups.templates')}>
      <div className="flex flex-wrap items-end gap-4 pb-2">
        <h2 className="grow text-lg font-medium">{say('groups.templates')}</h2>
        <Filter
          label={say('templates.find-a-template')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </div>
      <Trouble error={move.error} />
      <ListRoom
        label={say('groups.templates')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        waiting={say('templates.looking-up-templates')}
        empty={say('templates.no-template-has-this-name')}
      />
    </section>
  );
}
