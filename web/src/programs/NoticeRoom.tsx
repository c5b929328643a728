import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';
import { kindWords, noticeStates } from './programs';

/** One notice: what was sent, how often, and what was answered. */
export default function NoticeRoom() {
  const { id = '', notice = '' } = useParams();
  const queries = useQueryClient();
  const path = { params: { path: { id, notice } } };
  const found = useQuery({
    queryKey: ['notice', notice],
    queryFn: () => answer(api.GET('/api/v1/webhooks/{id}/notices/{notice}', path)),
    refetchInterval: 3_000,
  });
  const again = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/webhooks/{id}/notices/{notice}/sending', path)),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['notice', notice] }),
  });
  if (!found.data) return <Unshown query={found} waiting={say('programs.looking-up')} />;
  const { data } = found;
  return (
    <>
      <RoomTitle title={say(kindWords(data.notice.kind))}>
        <span className={data.notice.state === 'GIVEN_UP' ? 'text-oxide' : 'text-soft'}>
          {say(noticeStates[data.notice.state])}
        </span>
        <Link to={`/programs/webhooks/${id}`}>{say('programs.back-to-webhook')}</Link>
        <Button disabled={again.isPending} onClick={() => again.mutate()}>
          {say('programs.send-again')}
        </Button>
      </RoomTitle>
      <Trouble error={again.error} />
      <div className="grid items-start gap-8 lg:grid-cols-2">
        <section aria-labelledby="sent">
          <h2 id="sent" className="pb-1 text-lg">
            {say('programs.sent')}
          </h2>
          <pre
            // it can be scrolled by keyboard
            tabIndex={0}
            aria-labelledby="sent"
            className="overflow-auto border border-rule bg-sheet p-3 text-[13px]"
          >
            {JSON.stringify(JSON.parse(data.body), null, 2)}
          </pre>
        </section>
        <section aria-labelledby="tries">
          <h2 id="tries" className="pb-1 text-lg">
            {say('programs.tries')}
          </h2>
          {data.tries.length === 0 && <p className="text-soft">{say('programs.tries-none')}</p>}
          <ol className="flex flex-col gap-2">
            {data.tries.map((one) => (
              <li key={one.at} className="border-l-2 border-rule pl-3">
                <p>
                  {dateTime(one.at)},{' '}
                  {one.fault ||
                    say('programs.was-answered', { status: one.status, ms: one.tookMs })}
                </p>
                {one.answer && (
                  <p className="font-mono text-[13px] text-soft wrap-anywhere">{one.answer}</p>
                )}
              </li>
            ))}
          </ol>
        </section>
      </div>
    </>
  );
}
