import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { stateWords } from '../tables/words';
import { Pager } from '../ui/list/ListTools';
import { Table } from '../ui/parts';
import { date } from '../ui/time';

/** Tables that were brought in for a register; nothing while there are none. */
export function Imports({ register }: { register: string }) {
  const [page, setPage] = useState(0);
  const tables = useQuery({
    queryKey: ['imports', register, page],
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(
        api.GET('/api/v1/registers/{register}/imports', {
          params: { path: { register }, query: { page } },
        }),
      ),
  });
  if (!tables.data?.items.length) return null;
  return (
    <section aria-labelledby="imports" className="pt-6">
      <h2 id="imports" className="pb-1 text-lg">
        {say('registers.tables-brought-in')}
      </h2>
      <Table
        head={[
          say('registers.file'),
          say('registers.state'),
          say('registers.rows'),
          say('registers.by'),
          say('registers.since'),
        ]}
      >
        {tables.data.items.map((one) => (
          <tr key={one.id}>
            <td>
              <Link to={`/tables/${one.id}`}>{one.name}</Link>
            </td>
            <td>{say(stateWords[one.state])}</td>
            <td className="tabular-nums">{one.rows.toLocaleString('en')}</td>
            <td className="text-soft">{one.createdBy}</td>
            <td className="text-soft">{date(one.createdAt)}</td>
          </tr>
        ))}
      </Table>
      <Pager {...tables.data} onPage={(page) => setPage(Number(page))} />
    </section>
  );
}
