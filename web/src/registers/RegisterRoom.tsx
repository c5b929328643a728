import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { FileButton } from '../ui/FileButton';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { CellEdit } from './CellEdit';
import { Conditions } from './Conditions';
import { Imports } from './Imports';
import { MakeOfRows } from './MakeOfRows';
import {
  readConditions,
  useRegister,
  widthOf,
  writeCondition,
  type Row,
  type Terms,
} from './registers';

const mostTicked = 100;

/** A register's rows: found, narrowed, sorted, changed where they stand; as files out and in. */
export default function RegisterRoom() {
  const { register = '' } = useParams();
  const found = useRegister(register);
  if (!found.data) return <Unshown query={found} waiting={say('registers.opening-the-register')} />;
  return <Rows key={register} register={found.data} />;
}

function Rows({ register: { name, terms } }: { register: Schemas['RegisterDetail'] }) {
  const place = useListPlace();
  const navigate = useNavigate();
  const { find, page, sort, go, params } = place;
  const gone = params.get('gone') === 'true';
  const where = params.getAll('where');
  const query = { find, where, gone, sort, page };
  const list = useQuery({
    queryKey: ['register-rows', name, query],
    queryFn: () =>
      answer(
        api.GET('/api/v1/registers/{register}/rows', {
          params: { path: { register: name }, query },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const bringIn = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['TableDetail']>(`/api/v1/registers/${name}/imports`, file),
    onSuccess: (table) => void navigate(`/tables/${table.id}`),
  });
  const chosen = params.get('ticked') ?? '';
  const ticked = useMemo(() => chosen.split('.').filter(Boolean), [chosen]);
  const columns = useMemo(
    () => [tickColumn(ticked, (next) => go({ ticked: next.join('.') })), ...columnsOf(name, terms)],
    [name, terms, ticked, go],
  );
  const filtered = find !== '' || where.length > 0;
  return (
    <>
      <RoomTitle title={terms.title}>
        <Link to={`/registers/${name}/columns`}>{say('registers.columns')}</Link>
        <Link to={`/registers/${name}/rows/new`}>{say('registers.new-row')}</Link>
        <Filter
          label={say('registers.find-a-row')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <Conditions
        terms={terms}
        conditions={readConditions(params)}
        onChange={(conditions) => {
          const next = new URLSearchParams(params);
          next.delete('where');
          next.delete('page');
          conditions.forEach((one) => next.append('where', writeCondition(one)));
          void navigate({ search: next.toString() }, { replace: true });
        }}
      />
      <Trouble error={bringIn.error} />
      <ListRoom
        label={terms.title}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/registers/${name}/rows/${one.id}`}
        waiting={say('registers.looking-up-rows')}
        empty={
          gone
            ? say('registers.none-taken-out')
            : filtered
              ? say('registers.no-row-is-so')
              : say('registers.a-row-is')
        }
      />
      <div
        role="group"
        aria-label={say('registers.as-files')}
        className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-4"
      >
        <FileButton
          what={say('registers.table-file')}
          accept=".csv,.tsv,.txt,.xlsx,.json"
          disabled={bringIn.isPending}
          onFile={(file) => bringIn.mutate(file)}
        >
          {say('registers.bring-in-a-table')}
        </FileButton>
        {!gone && (
          <MakeOfRows
            register={name}
            find={find}
            where={where}
            ticked={ticked}
            count={ticked.length || (list.data?.total ?? 0)}
          />
        )}
        {ticked.length > 0 && (
          <Button onClick={() => go({ ticked: '' })}>
            {say('registers.untick', { count: ticked.length })}
          </Button>
        )}
        {(['CSV', 'XLSX'] as const).map((format) => (
          <a key={format} href={fileOf(name, format, { find, where, gone })} download>
            {filtered
              ? say('registers.these-rows-as', { format })
              : say('registers.all-rows-as', { format })}
          </a>
        ))}
        <button
          type="button"
          className="min-h-8 underline underline-offset-4"
          aria-pressed={gone}
          onClick={() => go({ gone: gone ? '' : 'true', page: '' })}
        >
          {gone ? say('registers.show-rows-there') : say('registers.show-rows-taken-out')}
        </button>
      </div>
      <Imports register={name} />
    </>
  );
}

function fileOf(
  register: string,
  format: 'CSV' | 'XLSX',
  { find, where, gone }: { find: string; where: string[]; gone: boolean },
): string {
  const query = new URLSearchParams({ format, find, gone: String(gone) });
  where.forEach((one) => query.append('where', one));
  return `/api/v1/registers/${register}/file?${query.toString()}`;
}

/** Rows are chosen one by one, a hundred at most: which ones stands in the address. */
function tickColumn(ticked: string[], onTick: (ticked: string[]) => void): Column<Row> {
  return {
    id: 'tick',
    title: say('registers.ticked'),
    width: 70,
    cell: (row) => (
      <input
        type="checkbox"
        className="size-5 align-middle"
        aria-label={say('registers.tick', { row: row.label || row.id })}
        checked={ticked.includes(row.id)}
        disabled={ticked.length >= mostTicked && !ticked.includes(row.id)}
        onChange={(event) =>
          onTick(
            event.target.checked ? [...ticked, row.id] : ticked.filter((one) => one !== row.id),
          )
        }
      />
    ),
  };
}

function columnsOf(register: string, terms: Terms): Column<Row>[] {
  // what a row is called by stands in front, once
  const naming =
    terms.shown.length === 1
      ? terms.columns.find(({ field }) => field.name === terms.shown[0])
      : undefined;
  return [
    {
      id: 'open',
      title: naming?.field.label ?? say('registers.row'),
      width: 240,
      ...(naming ? { sort: naming.field.name } : {}),
      cell: (row) => <Link to={`/registers/${register}/rows/${row.id}`}>{row.label || '–'}</Link>,
    },
    ...terms.columns
      .filter((column) => column !== naming)
      .map((column): Column<Row> => ({
        id: column.field.name,
        title: column.field.label,
        width: widthOf(column),
        sort: column.field.name,
        cell: (row) => <CellEdit register={register} row={row} column={column} />,
      })),
  ];
}
