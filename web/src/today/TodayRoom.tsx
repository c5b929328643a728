import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Empty, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { groupsOf, type Group } from './groups';
import { TodayList } from './TodayList';

/** What needs the coordinator now: one list in groups, with a strip of counts that filters it. */
export default function TodayRoom() {
  const [most, setMost] = useState(50);
  const [address, setAddress] = useSearchParams();
  const today = useQuery({
    queryKey: ['today', most],
    queryFn: () => answer(api.GET('/api/v1/today', { params: { query: { most } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 5000,
  });
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (number: string) =>
      answer(api.POST('/api/v1/agreements/{number}/another-try', { params: { path: { number } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ['today'] }),
  });
  if (!today.data)
    return <Unshown query={today} waiting={say('today.looking-what-there-is-today')} />;
  const groups = groupsOf(today.data).filter(({ total }) => total > 0);
  const only = groups.find(({ name }) => name === address.get('only'))?.name;
  return (
    <>
      <RoomTitle title={say('today.today')} />
      <Trouble error={again.error} />
      {today.data.notices.map((one) => (
        <p key={one.title} role="status" className="mb-3 border-l-4 border-clay bg-sheet px-3 py-2">
          <strong className="font-medium">{say('today.is-away', { title: one.title })}</strong>
          {say('today.since', {
            dateTime: dateTime(one.since),
            reason: one.reason,
            waitingWords: waitingWords(one.waiting),
          })}
        </p>
      ))}
      {today.data.roots.map(({ count, said, since: at }) => (
        <div key={at} role="alert" className="mb-3 border-l-4 border-oxide bg-sheet px-3 py-2">
          <Link to="/archive/roots" className="font-medium">
            {say('today.roots')}
          </Link>
          {said.map((one) => (
            <p key={one}>{one}</p>
          ))}
          {count > said.length && (
            <p className="text-soft">{say('today.roots-more', { count: count - said.length })}</p>
          )}
        </div>
      ))}
      {today.data.stamps.map(({ said, since: at }) => (
        <div key={at} role="alert" className="mb-3 border-l-4 border-oxide bg-sheet px-3 py-2">
          <Link to="/archive/stamps" className="font-medium">
            {say('today.stamps')}
          </Link>
          {said.map((one) => (
            <p key={one}>{one}</p>
          ))}
        </div>
      ))}
      {today.data.records.map(({ system, title, fault, faulty, givenUp }) => (
        <p key={system} role="status" className="mb-3 border-l-4 border-clay bg-sheet px-3 py-2">
          <Link to={`/programs/records/${system}`} className="font-medium">
            {title}
          </Link>
          {`: `}
          {[
            fault,
            faulty > 0 && say('today.records-to-mend', { count: faulty }),
            givenUp > 0 && say('today.not-written-back', { count: givenUp }),
          ]
            .filter(Boolean)
            .join(' ')}
        </p>
      ))}
      {today.data.keptLongEnough > 0 && (
        <p className="pb-3">
          <Link to="/archive/retention">
            {say('today.kept-long-enough', { count: today.data.keptLongEnough })}
          </Link>
        </p>
      )}
      {groups.length === 0 && (
        <Empty>
          {say('today.nothing-is-under-way')}
          <Link to="/templates" className="underline underline-offset-3">
            {say('today.bring-in-a-template')}
          </Link>
          {say('today.publish-it-and-fill-its')}
          <Link to="/intake" className="underline underline-offset-3">
            {say('today.intake')}
          </Link>
          .
        </Empty>
      )}
      {groups.length > 0 && (
        <>
          <Counts
            groups={groups}
            only={only}
            onOnly={(name) => setAddress(name ? { only: name } : {}, { replace: true })}
          />
          <TodayList
            groups={only ? groups.filter(({ name }) => name === only) : groups}
            busy={again.isPending}
            onAct={(group, row) => {
              if (group.name !== 'stuck') return false;
              again.mutate(row.number);
              return true;
            }}
            onMore={() => setMost(Math.min(most + 200, 1000))}
          />
        </>
      )}
    </>
  );
}

/** How many there are of each; pressed, the list shows those alone. */
function Counts({
  groups,
  only,
  onOnly,
}: {
  groups: Group[];
  only: string | undefined;
  onOnly: (name: string | undefined) => void;
}) {
  return (
    <div
      role="group"
      aria-label={say('today.show-only')}
      className="mb-2 flex flex-wrap border-y border-rule"
    >
      {groups.map(({ name, title, total }) => (
        <button
          key={name}
          type="button"
          aria-pressed={only === name}
          className={`flex min-h-11 items-baseline gap-2 border-r border-rule px-4 py-2 hover:bg-slatted ${only === name ? 'bg-slatted font-semibold' : ''}`}
          onClick={() => onOnly(only === name ? undefined : name)}
        >
          <span
            className={`text-xl ${['stuck', 'undelivered', 'copies'].includes(name) ? 'text-oxide' : ''}`}
          >
            {total}
          </span>
          <span className="text-soft">{title}</span>
        </button>
      ))}
    </div>
  );
}

function waitingWords(waiting: number): string {
  if (waiting === 0) return '';
  return waiting === 1
    ? say('today.one-piece-of-work-waits')
    : say('today.pieces-of-work-wait-for', { waiting });
}
