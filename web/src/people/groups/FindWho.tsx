import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { inputLook, Labelled } from '../../ui/parts';
import type { Who } from './rights';

/** Finds teams and people to be named in a group. */
export function FindWho({ without, onFound }: { without: string[]; onFound: (who: Who) => void }) {
  const [find, setFind] = useState('');
  const people = useQuery({
    queryKey: ['people', find, 'name', 0],
    queryFn: () =>
      answer(api.GET('/api/v1/people', { params: { query: { find, sort: 'name', page: 0 } } })),
    placeholderData: keepPreviousData,
  });
  const teams = useQuery({ queryKey: ['teams'], queryFn: () => answer(api.GET('/api/v1/teams')) });
  const called = find.trim().toLowerCase();
  const found: (Who & { beside: string })[] = [
    ...(teams.data ?? [])
      .filter((one) => one.name.toLowerCase().includes(called))
      .map((one) => ({
        kind: 'team' as const,
        id: one.id,
        name: one.name,
        closed: false,
        may: [],
        beside: say('groups.a-team'),
      })),
    ...(people.data?.items ?? [])
      .filter((one) => one.standing !== 'CLOSED')
      .map((one) => ({
        kind: 'person' as const,
        id: one.id,
        name: one.name,
        closed: false,
        may: [],
        beside: one.mail,
      })),
  ].filter((one) => !without.includes(one.id));
  return (
    <div className="flex flex-col gap-2">
      <Labelled id="group-find" label={say('groups.put-in')}>
        <input
          id="group-find"
          type="search"
          className={inputLook}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      </Labelled>
      <ul className="max-h-36 overflow-y-auto border border-rule">
        {found.map(({ beside, ...one }) => (
          <li key={one.id}>
            <button
              type="button"
              className="min-h-8 w-full px-2 text-left hover:bg-slatted"
              onClick={() => onFound({ ...one, may: ['use', 'see'] })}
            >
              {one.name} <span className="text-soft">{beside}</span>
            </button>
          </li>
        ))}
        {found.length === 0 && <li className="px-2 py-1 text-soft">{say('groups.nobody-else')}</li>}
      </ul>
    </div>
  );
}
