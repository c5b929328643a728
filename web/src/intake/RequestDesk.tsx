import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSession } from '../office/queries';
import { singleKey } from '../ui/keys';
import { Button, inputLook, Trouble } from '../ui/parts';
import { dateTime, since } from '../ui/time';
import { historyWords, stageWords } from './requestWords';

type Detail = Schemas['RequestDetail'];

/** Who takes care of a request, how far it has come, what was said about it, and the way to the next one. */
export function RequestDesk({ request }: { request: Detail }) {
  const { row } = request;
  const { number } = row;
  const path = { params: { path: { number } } };
  const queries = useQueryClient();
  const navigate = useNavigate();
  const session = useSession();
  const me = session.data?.mail ?? '';
  const owners = useQuery({
    queryKey: ['request-owners'],
    queryFn: () => answer(api.GET('/api/v1/requests/owners')),
    staleTime: 60_000,
  });
  const took = (next: Detail) => {
    queries.setQueryData<Detail>(['request', number], (known) =>
      known ? { ...known, row: next.row, history: next.history } : next,
    );
    void queries.invalidateQueries({ queryKey: ['requests'] });
  };
  const give = useMutation({
    mutationFn: (mail: string) =>
      answer(api.PUT('/api/v1/requests/{number}/owner', { ...path, body: { mail } })),
    onSuccess: took,
  });
  const next = useMutation({
    mutationFn: () => answer(api.GET('/api/v1/requests/{number}/next', path)),
    onSuccess: ({ next: one }) => {
      if (one) void navigate(`/intake/${one}`);
    },
  });
  const { mutate: take } = give;
  const { mutate: goOn } = next;
  useEffect(() => {
    function press(event: KeyboardEvent) {
      const key = singleKey(event);
      if (!key || document.querySelector('[role=dialog]')) return;
      if (key === 'n') goOn();
      else if (key === 't' && row.ownerMail !== me && me) take(me);
      else return;
      event.preventDefault();
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [goOn, take, row.ownerMail, me]);
  return (
    <section
      aria-label={say('intake.desk')}
      className="mb-4 flex flex-col gap-2 border-y border-rule py-2"
    >
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <span className={row.stage === 'DONE' ? 'text-moss' : 'text-clay'}>
          {stageWords(row.stage)}
        </span>
        <span className="text-soft">
          {say('intake.asked-by', { name: row.createdBy, since: since(row.createdAt) })}
          {request.askerMail && (
            <>
              {', '}
              <a href={`mailto:${request.askerMail}`}>{request.askerMail}</a>
            </>
          )}
        </span>
        <label className="ml-auto flex items-center gap-2">
          {say('intake.owner')}
          <select
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value={row.ownerMail}
            disabled={give.isPending}
            onChange={(event) => take(event.target.value)}
          >
            <option value="">{say('intake.nobody')}</option>
            {row.ownerMail && !owners.data?.some(({ mail }) => mail === row.ownerMail) && (
              <option value={row.ownerMail}>{row.owner}</option>
            )}
            {owners.data?.map((one) => (
              <option key={one.mail} value={one.mail}>
                {one.name}
              </option>
            ))}
          </select>
        </label>
        {row.ownerMail !== me && me && (
          <Button disabled={give.isPending} aria-keyshortcuts="t" onClick={() => take(me)}>
            {say('intake.take')}
          </Button>
        )}
        <Button disabled={next.isPending} aria-keyshortcuts="n" onClick={() => goOn()}>
          {say('intake.next')}
        </Button>
      </div>
      {next.data?.next === '' && (
        <p role="status" className="text-moss">
          {say('intake.no-next')}
        </p>
      )}
      <Trouble error={give.error ?? next.error} />
      <History request={request} onSaid={took} />
    </section>
  );
}

/** What happened, newest last, and a comment to add. */
function History({ request, onSaid }: { request: Detail; onSaid: (next: Detail) => void }) {
  const [text, setText] = useState('');
  const { number } = request.row;
  const comment = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/requests/{number}/comments', {
          params: { path: { number } },
          body: { text },
        }),
      ),
    onSuccess: (next) => {
      setText('');
      onSaid(next);
    },
  });
  const said = request.history.filter(({ kind }) => kind === 'SAID').length;
  return (
    <details>
      <summary className="text-slate">
        {say('intake.history', { count: request.history.length, said })}
      </summary>
      <ol className="flex max-h-60 max-w-3xl flex-col gap-1 overflow-y-auto py-2" tabIndex={0}>
        {request.history.map((line, i) => (
          <li key={i} className="grid grid-cols-[10rem_minmax(0,1fr)] gap-3">
            <span className="text-soft">{dateTime(line.at)}</span>
            <span className="wrap-anywhere">
              {historyWords(line)}
              {line.kind === 'SAID' && (
                <q className="block whitespace-pre-line border-l-2 border-edge pl-2 before:content-none after:content-none">
                  {line.said}
                </q>
              )}
            </span>
          </li>
        ))}
      </ol>
      <form
        className="flex max-w-3xl items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          comment.mutate();
        }}
      >
        <label className="flex grow flex-col">
          <span className="text-soft">{say('intake.comment')}</span>
          <textarea
            rows={2}
            className={inputLook}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </label>
        <Button type="submit" disabled={!text.trim() || comment.isPending}>
          {say('intake.say')}
        </Button>
      </form>
      <Trouble error={comment.error} />
    </details>
  );
}
