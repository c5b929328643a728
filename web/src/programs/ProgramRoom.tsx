import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { date } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { ProgramForm } from './ProgramForm';
import { ProgramKeys } from './ProgramKeys';
import { ProgramUses } from './ProgramUses';

/** One program: what it may do, its keys, what it asked for. */
export default function ProgramRoom() {
  const { id } = useParams();
  return id ? <Known key={id} id={id} /> : <New />;
}

function New() {
  const navigate = useNavigate();
  return (
    <>
      <RoomTitle title={say('programs.let-in')}>
        <Link to="/programs">{say('programs.programs')}</Link>
      </RoomTitle>
      <div className="max-w-3xl">
        <ProgramForm
          terms={{
            title: '',
            scopes: ['intake:write', 'agreements:read'],
            forms: [],
            perMinute: 120,
          }}
          act={say('programs.let-it-in')}
          save={(terms) => answer(api.POST('/api/v1/programs', { body: { terms } }))}
          onSaved={({ id }) => void navigate(`/programs/${id}`, { replace: true })}
        />
      </div>
    </>
  );
}

function Known({ id }: { id: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const found = useQuery({
    queryKey: ['program', id],
    queryFn: () => answer(api.GET('/api/v1/programs/{id}', path)),
  });
  const took = (next: Schemas['ProgramDetail']) => {
    queries.setQueryData(['program', id], next);
    void queries.invalidateQueries({ queryKey: ['programs'] });
  };
  const end = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/programs/{id}', path)),
    onSuccess: took,
  });
  if (!found.data) return <Unshown query={found} waiting={say('programs.looking-up')} />;
  const program = found.data;
  return (
    <>
      <RoomTitle title={program.terms.title}>
        {program.endedAt && (
          <span className="text-clay">
            {say('programs.ended-on', { day: date(program.endedAt) })}
          </span>
        )}
        <Link to="/programs">{say('programs.programs')}</Link>
        {!program.endedAt && (
          <Button look="grave" disabled={end.isPending} onClick={() => end.mutate()}>
            {say('programs.end')}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={end.error} />
      <div className="grid items-start gap-8 pb-6 lg:grid-cols-[3fr_2fr]">
        <ProgramForm
          key={program.revision}
          terms={program.terms}
          act={say('programs.save')}
          disabled={program.endedAt !== null}
          save={(terms) =>
            answer(
              api.PUT('/api/v1/programs/{id}', {
                ...path,
                body: { revision: program.revision, terms },
              }),
            )
          }
          onSaved={took}
        />
        <ProgramKeys program={program} onChange={took} />
      </div>
      <ProgramUses program={program} />
    </>
  );
}
