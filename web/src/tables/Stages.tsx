import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { stageWords } from '../intake/requestWords';
import { say } from '../messages/rooms';

/** How far the agreements of a run have come; nothing before there are any. */
export function Stages({ table }: { table: Schemas['TableDetail'] }) {
  const stages = useQuery({
    queryKey: ['run-stages', table.id],
    queryFn: () =>
      answer(api.GET('/api/v1/runs/{table}/stages', { params: { path: { table: table.id } } })),
    refetchInterval: table.state === 'GOING' ? 2000 : 10_000,
  });
  if (!stages.data?.length) return null;
  return (
    <dl aria-label={say('tables.agreements')} className="mb-3 flex flex-wrap gap-x-5">
      {stages.data.map(({ stage, count }) => (
        <div key={stage} className="flex gap-2">
          <dt className="text-soft">{stageWords(stage)}</dt>
          <dd className="font-medium tabular-nums">{count.toLocaleString('en')}</dd>
        </div>
      ))}
    </dl>
  );
}
