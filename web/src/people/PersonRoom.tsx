import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { useSession } from '../office/queries';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { date, dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { factorWords, standingWords, type OfficePersonDetail } from './people';
import { PersonForm } from './PersonForm';
import { Sessions } from './Sessions';

/** Somebody of the office: what they may, how they come in, where they are in. */
export default function PersonRoom() {
  const { id = '' } = useParams();
  const path = { params: { path: { id } } };
  const queries = useQueryClient();
  const navigate = useNavigate();
  const session = useSession();
  const found = useQuery({
    queryKey: ['person', id],
    queryFn: () => answer(api.GET('/api/v1/people/{id}', path)),
  });
  const took = (next: OfficePersonDetail) => {
    queries.setQueryData(['person', id], next);
    void queries.invalidateQueries({ queryKey: ['people'] });
    // it may be one's own account
    void queries.invalidateQueries({ queryKey: ['session'] });
  };
  const act = useMutation({
    mutationFn: (run: () => Promise<OfficePersonDetail>) => run(),
    onSuccess: took,
  });
  const remove = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/people/{id}', path)),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ['people'] });
      void navigate('/people');
    },
  });
  if (!found.data) return <Unshown query={found} waiting={say('people.looking-up')} />;
  const detail = found.data;
  const { person } = detail;
  const own = session.data?.mail === person.mail;
  return (
    <>
      <RoomTitle title={person.name}>
        <Link to="/people">{say('people.people')}</Link>
        <Link to={`/people/trail?by=${encodeURIComponent(person.mail)}`}>
          {say('people.their-acts')}
        </Link>
        {person.standing === 'INVITED' && (
          <>
            <Button
              disabled={act.isPending}
              onClick={() =>
                act.mutate(() => answer(api.POST('/api/v1/people/{id}/invitation', path)))
              }
            >
              {say('people.invite-again')}
            </Button>
            <Button look="grave" disabled={remove.isPending} onClick={() => remove.mutate()}>
              {say('people.remove')}
            </Button>
          </>
        )}
        {person.standing === 'CLOSED' && (
          <Button
            disabled={act.isPending}
            onClick={() =>
              act.mutate(() => answer(api.DELETE('/api/v1/people/{id}/closing', path)))
            }
          >
            {say('people.reopen')}
          </Button>
        )}
        {person.standing === 'OPEN' && !own && (
          <Button
            look="grave"
            disabled={act.isPending}
            onClick={() => act.mutate(() => answer(api.POST('/api/v1/people/{id}/closing', path)))}
          >
            {say('people.close')}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={act.error ?? remove.error} />
      <div className="grid grid-cols-1 items-start gap-x-10 gap-y-8 pb-8 lg:grid-cols-2">
        <PersonForm key={detail.revision} detail={detail} onChange={took} />
        <div className="flex min-w-0 flex-col gap-8">
          <Standing detail={detail}>
            {person.shows.length > 0 && !own && (
              <Button
                className="self-start"
                disabled={act.isPending}
                onClick={() =>
                  act.mutate(() => answer(api.DELETE('/api/v1/people/{id}/second-factor', path)))
                }
              >
                {say('people.forget-factors')}
              </Button>
            )}
          </Standing>
          <section aria-label={say('people.sessions')} className="flex flex-col gap-3">
            <h2 className="text-lg">{say('people.sessions')}</h2>
            <Sessions
              sessions={detail.sessions}
              busy={act.isPending}
              onEnd={(one) =>
                act.mutate(() =>
                  answer(
                    api.DELETE('/api/v1/people/{id}/sessions/{session}', {
                      params: { path: { id, session: one.id } },
                    }),
                  ),
                )
              }
            />
            {detail.sessions.length > 1 && !own && (
              <Button
                className="self-start"
                disabled={act.isPending}
                onClick={() =>
                  act.mutate(() => answer(api.DELETE('/api/v1/people/{id}/sessions', path)))
                }
              >
                {say('people.end-sessions')}
              </Button>
            )}
          </section>
        </div>
      </div>
    </>
  );
}

/** How somebody stands with the office. */
function Standing({ detail, children }: { detail: OfficePersonDetail; children: ReactNode }) {
  const { person } = detail;
  const lines: [string, string][] = [
    [say('office.mail-address'), person.mail],
    [say('people.standing'), standing(detail)],
    [say('people.last-in'), person.signedInAt ? dateTime(person.signedInAt) : say('people.never')],
    [
      say('people.beside-password'),
      factorWords(person.shows) + (detail.lacksFactor ? say('people.lacks-factor') : ''),
    ],
    [say('people.teams'), person.teams.join(', ')],
  ];
  return (
    <section aria-label={say('people.account')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('people.account')}</h2>
      <dl className="grid grid-cols-[10rem_1fr] gap-x-3 gap-y-1">
        {lines
          .filter(([, what]) => what)
          .map(([name, what]) => (
            <div key={name} className="contents">
              <dt className="text-soft">{name}</dt>
              <dd className="break-words">{what}</dd>
            </div>
          ))}
      </dl>
      {children}
    </section>
  );
}

function standing(detail: OfficePersonDetail): string {
  const { person, invitedUntil, cameBack, closedAt, madeAt } = detail;
  const words = standingWords(person.standing);
  if (cameBack) return `${words}, ${say('people.mail-came-back', { said: cameBack })}`;
  if (person.standing === 'INVITED')
    return `${words}, ${invitedUntil ? say('people.link-until', { moment: dateTime(invitedUntil) }) : say('people.link-on-its-way')}`;
  return person.standing === 'CLOSED' && closedAt
    ? say('people.closed-since', { day: date(closedAt) })
    : `${words}, ${say('people.since', { day: date(madeAt) })}`;
}
