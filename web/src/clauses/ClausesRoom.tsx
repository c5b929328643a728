import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { FileButton } from '../ui/FileButton';
import { inputLook, RoomTitle, Trouble } from '../ui/parts';
import { date } from '../ui/time';

const columns: Column<Schemas['ClauseItem']>[] = [
  {
    id: 'name',
    title: 'Clause',
    width: 260,
    sort: 'name',
    cell: (one) => (
      <Link to={`/clauses/${one.id}`} className="font-mono">
        {one.name}
      </Link>
    ),
  },
  { id: 'version', title: 'Version', width: 80, cell: (one) => one.version },
  {
    id: 'note',
    title: 'What changed',
    width: 340,
    cell: (one) => one.note,
    present: (one) => one.note !== '',
  },
  {
    id: 'by',
    title: 'By',
    width: 160,
    cell: (one) => <span className="text-soft">{one.changedBy}</span>,
  },
  {
    id: 'changed',
    title: 'Since',
    width: 130,
    sort: 'changed',
    cell: (one) => <span className="text-soft">{date(one.changedAt)}</span>,
  },
];

/** The library of clauses that templates include by name. */
export default function ClausesRoom() {
  const place = useListPlace();
  const { find, page, sort, go } = place;
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const list = useQuery({
    queryKey: ['clauses', find, sort, page],
    queryFn: () => answer(api.GET('/api/v1/clauses', { params: { query: { find, sort, page } } })),
    placeholderData: keepPreviousData,
  });
  const bringIn = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['ClauseDetail']>(`/api/v1/clauses?name=${encodeURIComponent(name)}`, file),
    onSuccess: () => {
      setName('');
      void queries.invalidateQueries({ queryKey: ['clauses'] });
    },
  });
  return (
    <>
      <RoomTitle title="Clauses">
        <Link to="/templates">Templates</Link>
        <Filter
          label="Find a clause"
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <div role="group" aria-label="Bring in a clause" className="mb-4 flex items-end gap-3">
        <label className="flex w-72 flex-col gap-1">
          <span className="text-soft">Name of a new clause, as tags will say it</span>
          <input
            className={`${inputLook} font-mono`}
            placeholder="care_of_paper"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <FileButton
          what="Word file of the clause"
          accept=".docx"
          disabled={!name.trim() || bringIn.isPending}
          onFile={(file) => bringIn.mutate(file)}
        >
          Choose its Word file
        </FileButton>
      </div>
      <Trouble error={bringIn.error} />
      <ListRoom
        label="Clauses"
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/clauses/${one.id}`}
        waiting="Looking up clauses…"
        empty={
          find
            ? 'No clause has this name.'
            : 'A clause is a Word file that several templates share. They include it with {{>care_of_paper}}; a new version reaches every draft, and no published template.'
        }
      />
    </>
  );
}
