import { say } from '../messages/rooms';
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
    title: say('clauses.clause'),
    width: 260,
    sort: 'name',
    cell: (one) => (
      <Link to={`/clauses/${one.id}`} className="font-mono">
        {one.name}
      </Link>
    ),
  },
  { id: 'version', title: say('clauses.version'), width: 80, cell: (one) => one.version },
  {
    id: 'note',
    title: say('clauses.what-changed'),
    width: 340,
    cell: (one) => one.note,
    present: (one) => one.note !== '',
  },
  {
    id: 'by',
    title: say('clauses.by'),
    width: 160,
    cell: (one) => <span className="text-soft">{one.changedBy}</span>,
  },
  {
    id: 'changed',
    title: say('clauses.since'),
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
      <RoomTitle title={say('clauses.clauses')}>
        <Link to="/templates">{say('clauses.templates')}</Link>
        <Filter
          label={say('clauses.find-a-clause')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
      </RoomTitle>
      <div
        role="group"
        aria-label={say('clauses.bring-in-a-clause')}
        className="mb-4 flex items-end gap-3"
      >
        <label className="flex w-72 flex-col gap-1">
          <span className="text-soft">{say('clauses.name-of-a-new-clause')}</span>
          <input
            className={`${inputLook} font-mono`}
            placeholder="care_of_paper"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <FileButton
          what={say('clauses.word-file-of-the-clause')}
          accept=".docx"
          disabled={!name.trim() || bringIn.isPending}
          onFile={(file) => bringIn.mutate(file)}
        >
          {say('clauses.choose-its-word-file')}
        </FileButton>
      </div>
      <Trouble error={bringIn.error} />
      <ListRoom
        label={say('clauses.clauses')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/clauses/${one.id}`}
        waiting={say('clauses.looking-up-clauses')}
        empty={find ? say('clauses.no-clause-has-this-name') : say('clauses.a-clause-is-a-word')}
      />
    </>
  );
}
