import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { Progress } from './Progress';
import { Stages } from './Stages';
import { Subject } from './Subject';
import { TableRows } from './TableRows';
import { TakenAs } from './TakenAs';
import { stateWords } from './words';

const working: Schemas['TableDetail']['state'][] = ['READING', 'CHECKING', 'GOING'];

/** A table that was brought in: how it is read, what would come of each row, and what has. */
export default function TableRoom() {
  const { id = '' } = useParams();
  const table = useQuery({
    queryKey: ['table', id],
    queryFn: () => answer(api.GET('/api/v1/tables/{id}', { params: { path: { id } } })),
    refetchInterval: (query) => {
      const state = query.state.data?.state;
      return state && working.includes(state) ? 700 : false;
    },
  });
  if (!table.data) return <Unshown query={table} waiting={say('tables.opening')} />;
  return <Shown table={table.data} />;
}

function Shown({ table }: { table: Schemas['TableDetail'] }) {
  const { id, state, revision } = table;
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const took = (next: Schemas['TableDetail']) => {
    queries.setQueryData(['table', id], next);
    void queries.invalidateQueries({ queryKey: ['table-rows', id] });
    void queries.invalidateQueries({ queryKey: ['imports', table.subject] });
  };
  const carryOut = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/tables/{id}/carrying-out', { ...path, body: { revision } })),
    onSuccess: took,
  });
  const lookOver = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/tables/{id}/looking-over', { ...path, body: { revision } })),
    onSuccess: took,
  });
  const pause = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/tables/{id}/pause', path)),
    onSuccess: took,
  });
  const stop = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/tables/{id}/stop', path)),
    onSuccess: took,
  });
  const count = (outcome: Schemas['OutcomeCount']['outcome']) =>
    table.outcomes.find((one) => one.outcome === outcome)?.count ?? 0;
  const todo = count('NEW') + count('CHANGED');
  const begun = count('DONE') > 0;
  const open = ['READY', 'PAUSED', 'DONE'].includes(state);
  return (
    <>
      <RoomTitle title={say('tables.numbered', { number: table.number, name: table.name })}>
        <span role="status" className="text-soft">
          {say(stateWords[state])}
        </span>
        <Subject table={table} />
        {open && todo > 0 && (
          <Button look="main" disabled={carryOut.isPending} onClick={() => carryOut.mutate()}>
            {actOf(table.purpose, count('NEW'), count('CHANGED'))}
          </Button>
        )}
        {open && count('FAULTY') > 0 && (
          <Button disabled={lookOver.isPending} onClick={() => lookOver.mutate()}>
            {say('tables.look-over-again')}
          </Button>
        )}
        {state === 'GOING' && (
          <Button disabled={pause.isPending} onClick={() => pause.mutate()}>
            {say('tables.pause')}
          </Button>
        )}
        {(state === 'GOING' || (state === 'PAUSED' && todo > 0)) && (
          <Button look="grave" disabled={stop.isPending} onClick={() => stop.mutate()}>
            {say('tables.stop')}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={carryOut.error ?? lookOver.error ?? pause.error ?? stop.error} />
      {table.rows > 0 && (
        <p className="flex gap-4 pb-3">
          {(['CSV', 'XLSX'] as const).map((format) => (
            <a key={format} href={`/api/v1/tables/${id}/report?format=${format}`} download>
              {say('tables.report-as', { format })}
            </a>
          ))}
        </p>
      )}
      {working.includes(state) && <Progress table={table} todo={todo} />}
      {table.reason && (
        <p role="alert" className="mb-3 border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
          {table.reason}
        </p>
      )}
      {!begun && state !== 'GOING' && state !== 'STOPPED' && (
        <TakenAs key={revision} table={table} onTaken={took} />
      )}
      {table.purpose === 'RUN' && begun && <Stages table={table} />}
      {state !== 'REFUSED' && <TableRows table={table} mendable={open} />}
    </>
  );
}

/** What the button says: what will be done. */
function actOf(purpose: Schemas['TableDetail']['purpose'], fresh: number, changed: number): string {
  if (purpose === 'RUN') return say('tables.make-agreements', { count: fresh });
  if (!changed) return say('tables.add-rows', { count: fresh });
  if (!fresh) return say('tables.change-rows', { count: changed });
  return say('tables.add-and-change-rows', { fresh, changed });
}
