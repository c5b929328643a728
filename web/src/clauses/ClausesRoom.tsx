import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { Filter, Pager, useListPlace } from '../ui/ListTools';
import { FileButton } from '../ui/FileButton';
import { Empty, inputLook, RoomTitle, Table, Trouble, Waiting } from '../ui/parts';
import { date } from '../ui/time';

/** The library of clauses that templates include by name. */
export default function ClausesRoom() {
  const { find, page, go } = useListPlace();
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const list = useQuery({
    queryKey: ['clauses', find, page],
    queryFn: () => answer(api.GET('/api/v1/clauses', { params: { query: { find, page } } })),
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
      <Trouble error={list.error ?? bringIn.error} />
      {list.isPending && <Waiting what="Looking up clauses…" />}
      {list.data?.total === 0 && (
        <Empty>
          A clause is a Word file that several templates share. They include it with{' '}
          {'{{>care_of_paper}}'}; a new version reaches every draft, and no published template.
        </Empty>
      )}
      {list.data && list.data.total > 0 && (
        <>
          <Table head={['Clause', 'Version', 'What changed', 'By', 'Since']}>
            {list.data.items.map((one) => (
              <tr key={one.id}>
                <td>
                  <Link to={`/clauses/${one.id}`} className="font-mono">
                    {one.name}
                  </Link>
                </td>
                <td>{one.version}</td>
                <td>{one.note}</td>
                <td className="text-soft">{one.changedBy}</td>
                <td className="text-soft">{date(one.changedAt)}</td>
              </tr>
            ))}
          </Table>
          <Pager {...list.data} onPage={(next) => go({ page: String(next) })} />
        </>
      )}
    </>
  );
}
