import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { allOf } from '../../../api/all';
import { answer, api } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { date } from '../../../ui/time';
import { Waiting } from '../../../ui/parts';
import type { Bench } from '../bench';
import { Places, type Walk } from './parts';

/** Which clause is drawn in, in which version, and how it begins. */
export function ClauseCard({
  bench: { detail },
  number,
  walk,
}: {
  bench: Bench;
  number: number;
  walk: Walk;
}) {
  const clauses = useQuery({
    queryKey: ['clauses', 'all'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/clauses', { params: { query: { page } } }))),
  });
  const inclusion = detail.includes[number];
  if (!inclusion) return null;
  const clause = clauses.data?.find((one) => one.name === inclusion.clause);
  return (
    <div className="flex flex-col gap-2">
      {inclusion.begins && <q className="font-serif">{inclusion.begins}</q>}
      {!clause && clauses.isPending && <Waiting what={say('templates.looking-for-the-clause')} />}
      {!clause && clauses.data && (
        <p className="text-oxide">{say('templates.no-such-clause', { name: inclusion.clause })}</p>
      )}
      {clause && (
        <p>
          {say('templates.clause-version', {
            version: clause.version,
            by: clause.changedBy,
            on: date(clause.changedAt),
          })}{' '}
          <span className="text-soft">{clause.note}</span>
        </p>
      )}
      <p className="text-soft">
        {detail.state === 'PUBLISHED'
          ? say('templates.clause-is-held')
          : say('templates.clause-is-newest')}
      </p>
      {clause && <Link to={`/clauses/${clause.id}`}>{say('templates.open-the-clause')}</Link>}
      <Places walk={walk} />
      <p className="text-soft">
        {say('templates.tag-in-the-word-file')} <code>{`{{>${inclusion.clause}}}`}</code>
      </p>
    </div>
  );
}
