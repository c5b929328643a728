import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { useRegister, useRow } from './registers';
import { RowForm } from './RowForm';
import { RowHistory } from './RowHistory';
import { RowUses } from './RowUses';

/** One row of a register: what it says, what can be made of it and was, what names it, and what was changed in it. */
export default function RowRoom() {
  const { register = '', id = '' } = useParams();
  return id === 'new' ? <NewRow register={register} /> : <KnownRow register={register} id={id} />;
}

function NewRow({ register }: { register: string }) {
  const found = useRegister(register);
  const navigate = useNavigate();
  const queries = useQueryClient();
  if (!found.data) return <Unshown query={found} waiting={say('registers.opening-the-register')} />;
  return (
    <>
      <RoomTitle title={say('registers.new-row')}>
        <Link to={`/registers/${register}`}>{found.data.terms.title}</Link>
      </RoomTitle>
      <RowForm
        register={found.data}
        act={say('registers.add-the-row')}
        keep={(values, language) =>
          answer(
            api.POST('/api/v1/registers/{register}/rows', {
              params: { path: { register } },
              body: { values, language },
            }),
          )
        }
        onKept={(kept) => {
          void queries.invalidateQueries({ queryKey: ['register-rows', register] });
          void navigate(`/registers/${register}/rows/${kept.row.id}`, { replace: true });
        }}
      />
    </>
  );
}

function KnownRow({ register, id }: { register: string; id: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { register, id } } };
  const found = useRow(register, id);
  const kept = (detail?: Schemas['RowDetail']) => {
    if (detail) queries.setQueryData(['register-row', register, id], detail);
    else void queries.invalidateQueries({ queryKey: ['register-row', register, id] });
    void queries.invalidateQueries({ queryKey: ['register-rows', register] });
  };
  const takeOut = useMutation({
    mutationFn: (revision: number) =>
      answer(
        api.DELETE('/api/v1/registers/{register}/rows/{id}', {
          params: { path: { register, id }, query: { revision } },
        }),
      ),
    onSuccess: () => kept(),
  });
  const bringBack = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/registers/{register}/rows/{id}/return', path)),
    onSuccess: kept,
  });
  if (!found.data) return <Unshown query={found} waiting={say('registers.opening-the-row')} />;
  const { register: of, row, history, namedBy } = found.data;
  return (
    <>
      <RoomTitle title={row.label || say('registers.row')}>
        <Link to={`/registers/${register}`}>{of.terms.title}</Link>
        {row.gone ? (
          <Button disabled={bringBack.isPending} onClick={() => bringBack.mutate()}>
            {say('registers.bring-back')}
          </Button>
        ) : (
          <Button
            look="grave"
            disabled={takeOut.isPending}
            onClick={() => takeOut.mutate(row.revision)}
          >
            {say('registers.take-out')}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={takeOut.error ?? bringBack.error} />
      {row.gone && (
        <p className="mb-3 max-w-2xl border-l-4 border-clay bg-sheet px-3 py-2">
          {say('registers.is-taken-out')}
        </p>
      )}
      <div className="grid items-start gap-8 lg:grid-cols-[minmax(20rem,5fr)_minmax(0,6fr)]">
        <RowForm
          key={`${id} ${row.revision}`}
          register={of}
          row={row}
          fixed={row.gone}
          act={say('registers.keep-the-changes')}
          keep={(values, language) =>
            answer(
              api.PUT('/api/v1/registers/{register}/rows/{id}', {
                ...path,
                body: { revision: row.revision, values, language },
              }),
            )
          }
          onKept={kept}
        />
        <div className="flex min-w-0 flex-col gap-6">
          <RowUses register={register} row={row} namedBy={namedBy} />
          <RowHistory register={register} id={id} terms={of.terms} history={history} />
        </div>
      </div>
    </>
  );
}
