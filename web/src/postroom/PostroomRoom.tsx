import { say } from '../messages/rooms';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useSession } from '../office/queries';
import { List, type Column } from '../ui/list/List';
import { useListPlace } from '../ui/list/useListPlace';
import { Empty, RoomTitle } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { dateTime } from '../ui/time';

const stateWords: Record<string, string> = {
  WAITING: say('postroom.waiting'),
  SENT: say('postroom.sent'),
  FAILED: say('postroom.failed'),
  RETURNED: say('postroom.came-back'),
  NOT_NEEDED: say('postroom.not-needed-any-more'),
};

const stateLook: Record<string, string> = {
  WAITING: 'text-clay',
  FAILED: 'text-oxide',
  RETURNED: 'text-oxide',
  NOT_NEEDED: 'text-soft',
};

type Mail = Schemas['MailRow'];

/** @param narrow beside an open letter, which names whom it goes to */
function columns(onOpen: ((id: string) => void) | undefined, narrow: boolean): Column<Mail>[] {
  const all: Column<Mail>[] = [
    {
      id: 'created',
      title: say('postroom.when'),
      width: 140,
      sort: 'created',
      cell: (mail) => <span className="text-soft">{dateTime(mail.sentAt ?? mail.createdAt)}</span>,
    },
    {
      id: 'to',
      title: say('postroom.to'),
      width: 260,
      sort: 'recipient',
      cell: (mail) => mail.recipient,
    },
    {
      id: 'subject',
      title: say('postroom.subject'),
      width: 460,
      cell: (mail) =>
        onOpen ? (
          <button
            type="button"
            className="block min-h-7 max-w-full text-left text-slate underline underline-offset-3"
            onClick={() => onOpen(mail.id)}
          >
            {mail.subject}
          </button>
        ) : (
          mail.subject
        ),
    },
    {
      id: 'state',
      title: say('postroom.state'),
      width: 150,
      cell: (mail) => (
        <span className={stateLook[mail.state] ?? 'text-moss'} title={mail.because || undefined}>
          {mail.state === 'WAITING' && mail.goesAt
            ? say('postroom.goes-at', { when: dateTime(mail.goesAt) })
            : (stateWords[mail.state] ?? mail.state)}
        </span>
      ),
    },
  ];
  return narrow
    ? all.flatMap((one) =>
        one.id === 'to' ? [] : one.id === 'subject' ? [{ ...one, width: 480 }] : [one],
      )
    : all;
}

/** All mail that went out; its words too where mail goes to the stand-in. */
export default function PostroomRoom() {
  const place = useListPlace();
  const { page, sort } = place;
  const session = useSession();
  const [open, setOpen] = useState<string>();
  const list = useQuery({
    queryKey: ['postroom', sort, page],
    queryFn: () => answer(api.GET('/api/v1/postroom', { params: { query: { sort, page } } })),
    placeholderData: keepPreviousData,
    refetchInterval: 3000,
  });
  if (!list.data)
    return <Unshown query={list} waiting={say('postroom.looking-into-the-postroom')} />;
  const readable = session.data?.postroom ?? false;
  return (
    <>
      <RoomTitle title={say('postroom.postroom')}>
        <Link to="/office/mail">{say('postroom.looks-and-words')}</Link>
        {readable && <p className="text-soft">{say('postroom.mail-goes-to-the-stand')}</p>}
      </RoomTitle>
      {list.data.total === 0 && <Empty>{say('postroom.every-mail-that-goes-out')}</Empty>}
      <div className={open ? 'grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-5' : ''}>
        {list.data.total > 0 && (
          <div className="min-w-0">
            <List
              label={say('postroom.mail')}
              list={list.data}
              place={place}
              columns={columns(readable ? setOpen : undefined, !!open)}
              keyOf={(mail) => mail.id}
            />
          </div>
        )}
        {open && <Letter id={open} />}
      </div>
    </>
  );
}

function Letter({ id }: { id: string }) {
  const mail = useQuery({
    queryKey: ['mail', id],
    queryFn: () => answer(api.GET('/api/v1/postroom/{id}', { params: { path: { id } } })),
  });
  if (!mail.data) return <Unshown query={mail} waiting={say('postroom.opening-the-mail')} />;
  return (
    <article aria-label={say('postroom.mail')} className="h-fit min-w-0 bg-sheet p-5 shadow-page">
      <h2 className="text-lg break-words">{mail.data.subject}</h2>
      <p className="pb-4 text-soft">
        {say('postroom.from-to', { from: mail.data.from, to: mail.data.to })}
      </p>
      <div className="wrap-anywhere whitespace-pre-wrap">
        {mail.data.text.split(/(https?:\/\/\S+)/).map((part, i) =>
          /^https?:/.test(part) ? (
            <a key={i} href={part}>
              {part}
            </a>
          ) : (
            part
          ),
        )}
      </div>
      {mail.data.attachments.length > 0 && (
        <p className="pt-4 text-soft">
          {say('postroom.attached', { attachments: mail.data.attachments.join(', ') })}
        </p>
      )}
    </article>
  );
}
