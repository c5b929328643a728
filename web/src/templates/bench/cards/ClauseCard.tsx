import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { date } from '../../../ui/time';
import { Trouble, Waiting } from '../../../ui/parts';
import { partsOf, type Bench } from '../bench';
import { WordingLines } from '../../WordingLines';
import { Places, type Walk } from './parts';

/** What the program calls the table that it makes of a form's questions; no clause can be called so. */
const allAnswers = 'answers.block';

/** Which clause is drawn in, in which version, and what it says. */
export function ClauseCard({
  bench: { detail, document },
  number,
  walk,
}: {
  bench: Bench;
  number: number;
  walk: Walk;
}) {
  const inclusion = partsOf(detail, document).includes[number];
  const clause = useQuery({
    queryKey: ['clause-text', detail.id, detail.version, detail.revision, inclusion?.clause],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/clauses/{name}', {
          params: { path: { id: detail.id, name: inclusion?.clause ?? '' } },
        }),
      ),
    enabled: inclusion !== undefined && inclusion.clause !== allAnswers,
    placeholderData: keepPreviousData,
  });
  if (!inclusion) return null;
  if (inclusion.clause === allAnswers)
    return (
      <div className="flex flex-col gap-2">
        <p>{say('templates.all-answers')}</p>
        <Places walk={walk} />
      </div>
    );
  const { data } = clause;
  return (
    <div className="flex flex-col gap-2">
      {clause.isPending && <Waiting what={say('templates.looking-for-the-clause')} />}
      {clause.error && <Trouble error={clause.error} />}
      {data && (
        <>
          <div
            tabIndex={0}
            role="group"
            aria-label={say('templates.text-of-the-clause')}
            className="max-h-72 overflow-y-auto border-l-2 border-rule pl-2 font-serif"
          >
            <WordingLines lines={data.lines} detail={detail} />
          </div>
          <p>
            {say('templates.clause-version', {
              version: data.version,
              by: data.changedBy,
              on: date(data.changedAt),
            })}{' '}
            <span className="text-soft">{data.note}</span>
          </p>
          {data.newest > data.version && (
            <p className="text-clay">
              {say('templates.clause-has-a-newer', { version: data.newest })}
            </p>
          )}
        </>
      )}
      <p className="text-soft">
        {detail.state === 'PUBLISHED'
          ? say('templates.clause-is-held')
          : say('templates.clause-is-newest')}
      </p>
      {data && <Link to={`/clauses/${data.clause}`}>{say('templates.open-the-clause')}</Link>}
      <Places walk={walk} />
      <p className="text-soft">
        {say('templates.tag-in-the-word-file')} <code>{`{{>${inclusion.clause}}}`}</code>
      </p>
    </div>
  );
}
