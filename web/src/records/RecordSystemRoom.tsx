import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { RecordList } from './RecordList';
import { fresh, systemStates } from './records';
import { RecordSystemForm } from './RecordSystemForm';

/** One record system: its terms beside a real record, and what was done with its records. */
export default function RecordSystemRoom() {
  const { id } = useParams();
  return id ? <Known key={id} id={id} /> : <New />;
}

function New() {
  const navigate = useNavigate();
  return (
    <>
      <RoomTitle title={say('records.new')}>
        <Link to="/programs/records">{say('records.systems')}</Link>
      </RoomTitle>
      <RecordSystemForm
        terms={fresh}
        act={say('records.make')}
        save={(terms, credential) =>
          answer(api.POST('/api/v1/record-systems', { body: { terms, credential } }))
        }
        onSaved={({ id }) => void navigate(`/programs/records/${id}`, { replace: true })}
      />
    </>
  );
}

function Known({ id }: { id: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const found = useQuery({
    queryKey: ['record-system', id],
    queryFn: () => answer(api.GET('/api/v1/record-systems/{id}', path)),
    refetchInterval: 5_000,
  });
  const took = (next: Schemas['RecordSystemDetail']) => {
    queries.setQueryData(['record-system', id], next);
    void queries.invalidateQueries({ queryKey: ['record-systems'] });
    void queries.invalidateQueries({ queryKey: ['records', id] });
  };
  const act = useMutation({
    mutationFn: (what: 'now' | 'pause' | 'on' | 'end' | 'again') => {
      switch (what) {
        case 'now':
          return answer(api.POST('/api/v1/record-systems/{id}/trial', path));
        case 'pause':
          return answer(api.POST('/api/v1/record-systems/{id}/pause', path));
        case 'on':
          return answer(api.DELETE('/api/v1/record-systems/{id}/pause', path));
        case 'again':
          return answer(api.POST('/api/v1/record-systems/{id}/writing', path));
        case 'end':
          return answer(api.DELETE('/api/v1/record-systems/{id}', path));
      }
    },
    onSuccess: took,
  });
  if (!found.data) return <Unshown query={found} waiting={say('programs.looking-up')} />;
  const system = found.data;
  const open = system.state !== 'ENDED';
  return (
    <>
      <RoomTitle title={system.terms.title}>
        <span className={system.state === 'ON' ? 'text-moss' : 'text-clay'}>
          {say(systemStates[system.state])}
        </span>
        {system.lookedAt && (
          <span className="text-soft">
            {say('records.looked-at', { when: dateTime(system.lookedAt) })}
          </span>
        )}
        <Link to="/programs/records">{say('records.systems')}</Link>
        {open && (
          <>
            <Button disabled={act.isPending} onClick={() => act.mutate('now')}>
              {say('records.look-now')}
            </Button>
            {system.counts.givenUp > 0 && (
              <Button disabled={act.isPending} onClick={() => act.mutate('again')}>
                {say('records.write-given-up', { count: system.counts.givenUp })}
              </Button>
            )}
            <Button
              disabled={act.isPending}
              onClick={() => act.mutate(system.state === 'ON' ? 'pause' : 'on')}
            >
              {system.state === 'ON' ? say('programs.pause') : say('programs.go-on')}
            </Button>
            <Button look="grave" disabled={act.isPending} onClick={() => act.mutate('end')}>
              {say('records.end')}
            </Button>
          </>
        )}
      </RoomTitle>
      <Trouble error={act.error} />
      {system.fault && (
        <p role="status" className="mb-3 border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
          {system.fault}{' '}
          {system.triedAt && say('records.tried-again', { when: dateTime(system.triedAt) })}
        </p>
      )}
      <RecordList system={system} />
      <Settled system={system} open={open} onSaved={took} />
    </>
  );
}

/** What is typed stays while others pause the system or look; who saves after a colleague is told so. */
function Settled({
  system,
  open,
  onSaved,
}: {
  system: Schemas['RecordSystemDetail'];
  open: boolean;
  onSaved: (system: Schemas['RecordSystemDetail']) => void;
}) {
  const [base, setBase] = useState(system);
  return (
    <RecordSystemForm
      key={base.revision}
      system={base}
      terms={base.terms}
      act={say('records.save')}
      disabled={!open}
      save={(terms, credential) =>
        answer(
          api.PUT('/api/v1/record-systems/{id}', {
            params: { path: { id: base.id } },
            body: { revision: base.revision, terms, credential: credential || null },
          }),
        )
      }
      onSaved={(saved) => {
        setBase(saved);
        onSaved(saved);
      }}
    />
  );
}
