import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { FormTrouble } from '../ui/FormTrouble';
import { Button, describedBy, inputLook, Labelled } from '../ui/parts';
import { handedIn, useServerFaults } from '../ui/serverFaults';

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
  const form = useForm({ defaultValues: { name: team?.name ?? '' } });
  const keep = useMutation({
    mutationFn: ({ name }: { name: string }) => {
      const people = members.map((one) => one.id);
      return team
        ? answer(
            api.PUT('/api/v1/teams/{id}', {
              params: { path: { id: team.id } },
              body: { revision: team.revision, name, people },
            }),
          )
        : answer(api.POST('/api/v1/teams', { body: { name, people } }));
    },
    onSuccess: onKept,
  });
  useServerFaults(keep.error, form.setError);
  const fault = form.formState.errors.name?.message;
  return (
    <DialogShell
      open
      width="wide"
      title={team ? say('people.change-team', { team: team.name }) : say('people.make-team')}
      onClose={onClose}
    >
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (typed) => keep.mutate(typed))}
      >
        <Labelled id="team-name" label={say('people.team-name')} fault={fault}>
          <input
            id="team-name"
            className={inputLook}
            {...form.register('name')}
            {...describedBy('team-name', '', fault)}
          />
        </Labelled>
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
        <FindMember
          without={members.map((one) => one.id)}
          onFound={(one) => setMembers([...members, one])}
        />
        <FormTrouble error={keep.error} />
        <span className="flex gap-2">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {team ? say('people.keep-team') : say('people.make-team')}
          </Button>
          <Button onClick={onClose}>{say('account.not-now')}</Button>
        </span>
      </form>
    </DialogShell>
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
