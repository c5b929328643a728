import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { stateWords } from '../tables/words';
import { FileButton } from '../ui/FileButton';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle, Trouble } from '../ui/parts';
import { date } from '../ui/time';
import { useAllTemplates } from '../templates/useAllTemplates';

type Run = Schemas['RunItem'];

const columns: Column<Run>[] = [
  {
    id: 'name',
    title: say('intake.run'),
    width: 300,
    cell: ({ table }) => (
      <Link to={`/tables/${table.id}`}>
        {say('tables.numbered', { number: table.number, name: table.name })}
      </Link>
    ),
  },
  { id: 'template', title: say('intake.run-of'), width: 220, cell: ({ template }) => template },
  {
    id: 'rows',
    title: say('registers.rows'),
    width: 90,
    cell: ({ table }) => <span className="tabular-nums">{table.rows.toLocaleString('en')}</span>,
  },
  {
    id: 'state',
    title: say('registers.state'),
    width: 220,
    cell: ({ table }) => say(stateWords[table.state]),
  },
  {
    id: 'by',
    title: say('registers.by'),
    width: 140,
    cell: ({ table }) => <span className="text-soft">{table.createdBy}</span>,
  },
  {
    id: 'since',
    title: say('registers.since'),
    width: 120,
    cell: ({ table }) => <span className="text-soft">{date(table.createdAt)}</span>,
  },
];

/** Tables of which many agreements are made. */
export default function RunsRoom() {
  const place = useListPlace();
  const { page, params } = place;
  const navigate = useNavigate();
  const [template, setTemplate] = useState(params.get('template') ?? '');
  const templates = useAllTemplates();
  const list = useQuery({
    queryKey: ['runs', page],
    queryFn: () => answer(api.GET('/api/v1/runs', { params: { query: { page } } })),
    placeholderData: keepPreviousData,
  });
  const bringIn = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['TableDetail']>(`/api/v1/runs?template=${template}`, file),
    onSuccess: (table) => void navigate(`/tables/${table.id}`),
  });
  const known = (templates.data ?? []).filter(
    (one) => one.publishedVersion > 0 && one.may.includes('USE'),
  );
  return (
    <>
      <RoomTitle title={say('intake.runs')}>
        <Link to="/intake">{say('office.intake')}</Link>
      </RoomTitle>
      <div
        role="group"
        aria-label={say('intake.new-run')}
        className="mb-4 flex flex-wrap items-end gap-3"
      >
        <label className="flex w-72 flex-col gap-1">
          <span className="text-soft">{say('intake.run-template')}</span>
          <select
            className="min-h-9 rounded-sm border border-edge bg-sheet px-2"
            value={template}
            onChange={(event) => setTemplate(event.target.value)}
          >
            <option value="">{say('templates.further-choose')}</option>
            {known.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <FileButton
          what={say('registers.table-file')}
          accept=".csv,.tsv,.txt,.xlsx,.json"
          disabled={!template || bringIn.isPending}
          onFile={(file) => bringIn.mutate(file)}
        >
          {say('registers.bring-in-a-table')}
        </FileButton>
      </div>
      <Trouble error={bringIn.error ?? templates.error} />
      <ListRoom
        label={say('intake.runs')}
        query={list}
        place={place}
        columns={columns}
        keyOf={({ table }) => table.id}
        to={({ table }) => `/tables/${table.id}`}
        waiting={say('intake.looking-up-runs')}
        empty={say('intake.a-run-is')}
      />
    </>
  );
}
