import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, inputLook, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';

type OwnRequest = Schemas['OwnRequest'];

const stages: Record<OwnRequest['stage'], RoomCode> = {
  WAITING: 'asking.stage-waiting',
  CHECK: 'asking.stage-check',
  OUT: 'asking.stage-out',
  DONE: 'asking.stage-done',
  ENDED: 'asking.stage-ended',
};

/** Forms to ask by, and what became of what was asked for. */
export default function AskingRoom() {
  const place = useListPlace();
  const { page } = place;
  const list = useQuery({
    queryKey: ['own-requests', page],
    queryFn: () => answer(api.GET('/api/v1/own-requests', { params: { query: { page } } })),
    placeholderData: keepPreviousData,
  });
  const open = useMutation({
    mutationFn: (number: string) =>
      answer(api.POST('/api/v1/own-requests/{number}/way-in', { params: { path: { number } } })),
    onSuccess: ({ address }) => window.location.assign(address),
  });
  return (
    <>
      <RoomTitle title={say('asking.title')} />
      <FormsToAskBy />
      <h2 className="pb-2 text-lg">{say('asking.asked-for')}</h2>
      <Trouble error={open.error} />
      <ListRoom
        label={say('asking.asked-for')}
        query={list}
        place={place}
        columns={columns(open.isPending, (number) => open.mutate(number))}
        keyOf={(one) => one.number}
        waiting={say('asking.looking')}
        empty={say('asking.nothing-yet')}
      />
    </>
  );
}

function columns(busy: boolean, onOpen: (number: string) => void): Column<OwnRequest>[] {
  return [
    { id: 'number', title: say('asking.number'), width: 150, cell: (one) => one.number },
    { id: 'form', title: say('asking.form'), width: 420, cell: (one) => one.title },
    { id: 'at', title: say('asking.asked'), width: 180, cell: (one) => dateTime(one.at) },
    {
      id: 'stage',
      title: say('asking.where'),
      width: 260,
      cell: (one) => say(stages[one.stage]),
    },
    {
      id: 'look',
      title: '',
      width: 140,
      cell: (one) => (
        <Button disabled={busy} onClick={() => onOpen(one.number)}>
          {say('asking.look')}
        </Button>
      ),
    },
  ];
}

function FormsToAskBy() {
  const [find, setFind] = useState('');
  const forms = useQuery({
    queryKey: ['forms-to-ask-by', find],
    queryFn: () => answer(api.GET('/api/v1/own-requests/forms', { params: { query: { find } } })),
    placeholderData: keepPreviousData,
  });
  if (!forms.data) return <Unshown query={forms} waiting={say('office.opening')} />;
  const { items, total } = forms.data;
  return (
    <section aria-label={say('asking.forms')} className="flex flex-col gap-2 pb-8">
      {(find || total > items.length) && (
        <input
          type="search"
          aria-label={say('asking.find')}
          placeholder={say('asking.find')}
          className={`${inputLook} max-w-sm`}
          value={find}
          onChange={(event) => setFind(event.target.value)}
        />
      )}
      {items.length === 0 && (
        <p className="text-soft">{say(find ? 'asking.no-such-form' : 'asking.no-forms')}</p>
      )}
      <ul aria-label={say('asking.forms')} className="max-w-3xl">
        {items.map((one) => (
          <li key={one.id} className="border-b border-rule py-1.5">
            {one.rests ? (
              <>
                {one.title} <span className="text-soft">{say('asking.rests')}</span>
              </>
            ) : (
              // on the same host, where who asks is known
              <a href={new URL(one.address).pathname}>{one.title}</a>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
