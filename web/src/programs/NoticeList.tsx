import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { inputLook } from '../ui/parts';
import { dateTime } from '../ui/time';
import { kindWords, noticeStates } from './programs';

type Notice = Schemas['SentNotice'];

/** What a webhook's program was told, the newest first. */
export function NoticeList({ webhook }: { webhook: string }) {
  const place = useListPlace();
  const { page, params, go } = place;
  const state = (params.get('state') ?? '') as '' | Notice['state'];
  const list = useQuery({
    queryKey: ['notices', webhook, state, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/webhooks/{id}/notices', {
          params: { path: { id: webhook }, query: { page, ...(state && { state }) } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 3_000,
  });
  const columns: Column<Notice>[] = [
    {
      id: 'kind',
      title: say('programs.notice'),
      width: 280,
      cell: (one) => (
        <Link to={`/programs/webhooks/${webhook}/notices/${one.id}`}>
          {say(kindWords(one.kind))}
        </Link>
      ),
    },
    {
      id: 'about',
      title: say('programs.about'),
      width: 150,
      cell: (one) =>
        one.subject && (
          <Link
            to={`/${one.subject.startsWith('R-') ? 'intake' : 'agreements'}/${one.subject}`}
            className="tabular-nums"
          >
            {one.subject}
          </Link>
        ),
    },
    { id: 'at', title: say('programs.when'), width: 170, cell: (one) => dateTime(one.createdAt) },
    {
      id: 'state',
      title: say('programs.state'),
      width: 260,
      cell: (one) => (
        <span className={one.state === 'GIVEN_UP' ? 'text-oxide' : ''}>
          {say(noticeStates[one.state])}
          {one.state === 'WAITING' &&
            one.tries > 0 &&
            `, ${say('programs.next-try', { when: dateTime(one.nextAt) })}`}
        </span>
      ),
    },
    {
      id: 'tries',
      title: say('programs.tries'),
      width: 90,
      cell: (one) => <span className="tabular-nums">{one.tries}</span>,
    },
  ];
  return (
    <section aria-labelledby="notices">
      <div className="flex items-end gap-4 pb-2">
        <h2 id="notices" className="mr-auto text-lg">
          {say('programs.notices')}
        </h2>
        <label className="flex items-center gap-2">
          <span className="text-soft">{say('programs.shown')}</span>
          <select
            className={inputLook}
            value={state}
            onChange={(event) => go({ state: event.target.value, page: '' })}
          >
            <option value="">{say('programs.all-notices')}</option>
            <option value="WAITING">{say('programs.notice-waiting')}</option>
            <option value="TAKEN">{say('programs.notice-taken')}</option>
            <option value="GIVEN_UP">{say('programs.notice-given-up')}</option>
          </select>
        </label>
      </div>
      <ListRoom
        label={say('programs.notices')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.id}
        to={(one) => `/programs/webhooks/${webhook}/notices/${one.id}`}
        waiting={say('programs.looking-up')}
        empty={say('programs.notices-none')}
      />
    </section>
  );
}
