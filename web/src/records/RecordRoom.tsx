import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { stepName, stepStates } from './records';

/** One record: what was taken, what is wrong with it, what was written back. */
export default function RecordRoom() {
  const { id = '' } = useParams();
  const [params] = useSearchParams();
  const key = params.get('key') ?? '';
  const queries = useQueryClient();
  const found = useQuery({
    queryKey: ['records', id, 'one', key],
    queryFn: () =>
      answer(
        api.GET('/api/v1/record-systems/{id}/record', {
          params: { path: { id }, query: { key } },
        }),
      ),
    refetchInterval: 3_000,
  });
  const again = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/record-systems/{id}/writing', {
          params: { path: { id }, query: { key } },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['records', id] }),
  });
  if (!found.data) return <Unshown query={found} waiting={say('programs.looking-up')} />;
  const { record, steps } = found.data;
  return (
    <>
      <RoomTitle title={say('records.record-called', { key: record.key })}>
        {record.agreement && <Link to={`/agreements/${record.agreement}`}>{record.agreement}</Link>}
        {record.request && <Link to={`/intake/${record.request}`}>{record.request}</Link>}
        <Link to={`/programs/records/${id}`}>{say('records.back')}</Link>
        <Button disabled={again.isPending} onClick={() => again.mutate()}>
          {say('records.try-again')}
        </Button>
      </RoomTitle>
      <Trouble error={again.error} />
      {record.fault && <p className="pb-3 text-oxide">{record.fault}</p>}
      {record.faults.length > 0 && (
        <section aria-labelledby="faults" className="pb-4">
          <h2 id="faults" className="pb-1 text-lg">
            {say('records.faults')}
          </h2>
          <ul className="flex flex-col gap-1">
            {record.faults.map((fault) => (
              <li key={fault.where + fault.field} className="border-l-2 border-oxide pl-3">
                {fault.field && <strong className="font-medium">{fault.field}: </strong>}
                {fault.said}
                {fault.where && <span className="text-soft"> ({fault.where})</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="steps">
        <h2 id="steps" className="pb-1 text-lg">
          {say('records.steps')}
        </h2>
        {steps.length === 0 && <p className="text-soft">{say('records.steps-none')}</p>}
        <ol className="flex flex-col gap-2">
          {steps.map((one, i) => (
            <li key={steps.length - i} className="border-l-2 border-rule pl-3">
              <p>
                {say(stepName(one.step))}
                {one.agreement && `, ${one.agreement}`}
                <span className="text-soft">, {dateTime(one.at)}</span>
              </p>
              <p className={one.state === 'GIVEN_UP' ? 'text-oxide' : 'text-soft'}>
                {say(stepStates[one.state])}
                {one.doneAt && ` ${dateTime(one.doneAt)}`}
                {one.fault && `: ${one.fault}`}
                {one.state === 'WAITING' &&
                  one.tries > 0 &&
                  `, ${say('programs.next-try', { when: dateTime(one.nextAt) })}`}
              </p>
              {one.said && <p className="whitespace-pre-line">{one.said}</p>}
            </li>
          ))}
        </ol>
      </section>
    </>
  );
}
