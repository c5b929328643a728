import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { dateTime } from '../ui/time';

/** What a program asked for, the newest first. */
export function ProgramUses({ program }: { program: Schemas['ProgramDetail'] }) {
  const place = useListPlace();
  const { page } = place;
  const list = useQuery({
    queryKey: ['program-uses', program.id, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/programs/{id}/uses', {
          params: { path: { id: program.id }, query: { page } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 10_000,
  });
  const endings = new Map(program.keys.map(({ id, ending }) => [id, ending]));
  const columns: Column<Schemas['ProgramUse']>[] = [
    { id: 'at', title: say('programs.when'), width: 170, cell: (one) => dateTime(one.at) },
    {
      id: 'what',
      title: say('programs.asked-for'),
      width: 420,
      cell: (one) => (
        <code>
          {one.method} {one.place}
        </code>
      ),
    },
    {
      id: 'status',
      title: say('programs.answered'),
      width: 110,
      cell: (one) => (
        <span className={`tabular-nums ${one.status >= 400 ? 'text-oxide' : ''}`}>
          {one.status}
        </span>
      ),
    },
    {
      id: 'took',
      title: say('programs.took'),
      width: 100,
      cell: (one) => (
        <span className="tabular-nums">{say('programs.milliseconds', { ms: one.tookMs })}</span>
      ),
    },
    {
      id: 'key',
      title: say('programs.by-key'),
      width: 100,
      cell: (one) => <code className="text-soft">…{endings.get(one.key)}</code>,
    },
    {
      id: 'from',
      title: say('programs.from'),
      width: 150,
      cell: (one) => <span className="text-soft">{one.from}</span>,
    },
  ];
  return (
    <section aria-labelledby="uses">
      <h2 id="uses" className="pb-2 text-lg">
        {say('programs.uses')}
      </h2>
      <ListRoom
        label={say('programs.uses')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.requestId}
        waiting={say('programs.looking-up')}
        empty={say('programs.uses-none')}
      />
    </section>
  );
}
