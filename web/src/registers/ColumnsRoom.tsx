import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { newField } from '../templates/form/AddQuestion';
import { nameFor } from '../templates/names';
import { AddByName } from '../ui/AddByName';
import { Button, inputLook, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { ColumnCard } from './ColumnCard';
import { useRegister, type RegisterColumn, type Terms } from './registers';

/** What a register holds: its columns, which of them tells rows apart, and which name a row. */
export default function ColumnsRoom() {
  const { register = '' } = useParams();
  const found = useRegister(register);
  if (!register) return <Settle key="new" terms={fresh()} />;
  if (!found.data) return <Unshown query={found} waiting={say('registers.opening-the-register')} />;
  return (
    <Settle
      key={`${register} ${found.data.revision}`}
      terms={found.data.terms}
      register={found.data}
    />
  );
}

function column(label: string, name: string): RegisterColumn {
  return { field: { ...newField(label, new Set()), name }, unique: false, related: '' };
}

const required = (one: RegisterColumn): RegisterColumn => ({
  ...one,
  field: { ...one.field, required: true },
});

/** A register as most begin. */
const fresh = (): Terms => ({
  title: '',
  columns: [
    column(say('registers.first-column'), 'number'),
    required(column(say('registers.second-column'), 'name')),
  ],
  key: 'number',
  shown: ['name'],
});

function Settle({
  terms: begun,
  register,
}: {
  terms: Terms;
  register?: Schemas['RegisterDetail'];
}) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [terms, setTerms] = useState(begun);
  const save = useMutation({
    mutationFn: () =>
      register
        ? answer(
            api.PUT('/api/v1/registers/{register}', {
              params: { path: { register: register.name } },
              body: { revision: register.revision, terms },
            }),
          )
        : answer(api.POST('/api/v1/registers', { body: { name: nameFor(terms.title), terms } })),
    onSuccess: (kept) => {
      queries.setQueryData(['register', kept.name], kept);
      void queries.invalidateQueries({ queryKey: ['registers'] });
      void queries.invalidateQueries({ queryKey: ['register-rows', kept.name] });
      void navigate(`/registers/${kept.name}`);
    },
  });
  const set = (at: number, next: RegisterColumn) =>
    setTerms({ ...terms, columns: terms.columns.map((one, i) => (i === at ? next : one)) });
  const moved = (at: number, to: number) => {
    const columns = [...terms.columns];
    const [one] = columns.splice(at, 1);
    if (one) columns.splice(to, 0, one);
    setTerms({ ...terms, columns });
  };
  const faults = save.error instanceof Problem ? Object.values(save.error.faults) : [];
  return (
    <>
      <RoomTitle title={register ? register.terms.title : say('registers.new-register')}>
        <Link to={register ? `/registers/${register.name}` : '/registers'}>
          {register ? say('registers.rows') : say('registers.registers')}
        </Link>
      </RoomTitle>
      <form
        aria-label={say('registers.what-it-holds')}
        className="flex max-w-4xl flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <label className="flex max-w-md flex-col gap-1">
          <span className="font-medium">{say('registers.title')}</span>
          <input
            className={inputLook}
            value={terms.title}
            placeholder={say('registers.title-example')}
            onChange={(event) => setTerms({ ...terms, title: event.target.value })}
          />
        </label>
        <ol aria-label={say('registers.columns')} className="flex flex-col gap-2">
          {terms.columns.map((one, at) => (
            <ColumnCard
              key={one.field.name}
              column={one}
              own={register?.name}
              known={register?.terms.columns.some(({ field }) => field.name === one.field.name)}
              isKey={terms.key === one.field.name}
              shown={terms.shown.includes(one.field.name)}
              onChange={(next) => set(at, next)}
              onKey={() => setTerms({ ...terms, key: one.field.name })}
              onShown={(on) =>
                setTerms({
                  ...terms,
                  shown: on
                    ? [...terms.shown, one.field.name]
                    : terms.shown.filter((name) => name !== one.field.name),
                })
              }
              onUp={at > 0 ? () => moved(at, at - 1) : undefined}
              onDown={at < terms.columns.length - 1 ? () => moved(at, at + 1) : undefined}
              onOut={
                terms.key === one.field.name
                  ? undefined
                  : () =>
                      setTerms({
                        ...terms,
                        columns: terms.columns.filter((_, i) => i !== at),
                        shown: terms.shown.filter((name) => name !== one.field.name),
                      })
              }
            />
          ))}
        </ol>
        <div className="w-72">
          <AddByName
            label={say('registers.another-column')}
            act={say('registers.add-the-column')}
            onAdd={(called) => {
              const taken = new Set(terms.columns.map(({ field }) => field.name));
              const field = newField(called, taken);
              setTerms({
                ...terms,
                columns: [...terms.columns, { field, unique: false, related: '' }],
              });
            }}
          />
        </div>
        {faults.length > 1 && (
          <ul role="alert" className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
            {faults.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        )}
        {faults.length < 2 && <Trouble error={save.error} />}
        {register && <p className="text-soft">{say('registers.left-out-columns')}</p>}
        <Button
          type="submit"
          look="main"
          className="self-start"
          disabled={save.isPending || !terms.title.trim()}
        >
          {register ? say('registers.keep-the-columns') : say('registers.begin-the-register')}
        </Button>
      </form>
    </>
  );
}
