import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { stageWords } from '../intake/requestWords';
import { say } from '../messages/rooms';
import { Button, Table, Trouble } from '../ui/parts';
import { date } from '../ui/time';
import { useState } from 'react';
import { useRowTemplates, type Row } from './registers';

/** What can be made of a row, what was made of it, and which rows name it. */
export function RowUses({
  register,
  row,
  namedBy,
}: {
  register: string;
  row: Row;
  namedBy: Schemas['NamedBy'][];
}) {
  const templates = useRowTemplates(register);
  const naming = namedBy.filter(({ count }) => count > 0);
  return (
    <>
      {!row.gone && (
        <section aria-labelledby="can-be-made">
          <h2 id="can-be-made" className="pb-1 text-lg">
            {say('registers.can-be-made')}
          </h2>
          <Trouble error={templates.error} />
          {templates.data?.length === 0 && (
            <p className="text-soft">{say('registers.no-form-looks-up')}</p>
          )}
          <ul className="flex flex-col gap-1">
            {templates.data?.map(({ template, name, question, label }) => (
              <li key={`${template} ${question}`}>
                <Link
                  className="underline underline-offset-3"
                  to={`/intake/new/${template}?question=${encodeURIComponent(question)}&row=${row.id}`}
                >
                  {say('registers.make', { template: name })}
                </Link>{' '}
                <span className="text-soft">{say('registers.as-its', { question: label })}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Made register={register} row={row} />
      {naming.length > 0 && (
        <section aria-labelledby="named-by">
          <h2 id="named-by" className="pb-1 text-lg">
            {say('registers.named-by')}
          </h2>
          <ul className="flex flex-col gap-1">
            {naming.map(({ relation, count }) => (
              <li key={`${relation.register} ${relation.column}`}>
                <Link
                  className="underline underline-offset-3"
                  to={`/registers/${relation.register}?where=${relation.column}:is:${row.id}`}
                >
                  {say('registers.rows-of', { count, register: relation.title })}
                </Link>{' '}
                <span className="text-soft">
                  {say('registers.as-its', { question: relation.label })}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function Made({ register, row }: { register: string; row: Row }) {
  const [page, setPage] = useState(0);
  const made = useQuery({
    queryKey: ['register-row-requests', register, row.id, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/registers/{register}/rows/{id}/requests', {
          params: { path: { register, id: row.id }, query: { page } },
        }),
      ),
  });
  const { items = [], total = 0, size = 50 } = made.data ?? {};
  return (
    <section aria-labelledby="was-made">
      <h2 id="was-made" className="pb-1 text-lg">
        {say('registers.was-made')}
      </h2>
      <Trouble error={made.error} />
      {made.data && !total && <p className="text-soft">{say('registers.nothing-made-yet')}</p>}
      {items.length > 0 && (
        <Table
          head={[
            say('registers.request'),
            say('registers.template'),
            say('registers.agreement'),
            say('registers.state'),
            say('registers.since'),
          ]}
        >
          {items.map((one) => (
            <tr key={one.number}>
              <td className="whitespace-nowrap">
                <Link to={`/intake/${one.number}`}>{one.number}</Link>
              </td>
              <td>{one.template}</td>
              <td className="whitespace-nowrap">
                {one.agreement && (
                  <Link to={`/${one.stage === 'DONE' ? 'archive' : 'agreements'}/${one.agreement}`}>
                    {one.agreement}
                  </Link>
                )}
              </td>
              <td>{stageWords(one.stage)}</td>
              <td className="text-soft">{date(one.createdAt)}</td>
            </tr>
          ))}
        </Table>
      )}
      {total > size && (
        <div className="flex gap-2 pt-2">
          <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
            {say('ui.page-before')}
          </Button>
          <Button disabled={(page + 1) * size >= total} onClick={() => setPage(page + 1)}>
            {say('ui.next-page')}
          </Button>
        </div>
      )}
    </section>
  );
}
