import type { Schemas } from '../api/client';
import { Blind } from '../blind/Blind';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { dateTime, lastDay, since } from '../ui/time';
import { dutyWords } from '../ui/words';
import { useMine, useWayIn } from './useMine';

type Waits = Schemas['Waits'];

/** All that waits for who is signed in: several can be done in a row, each with its own consent. */
export default function MineRoom() {
  const place = useListPlace();
  const mine = useMine(place.page);
  const wayIn = useWayIn();
  return (
    <>
      <RoomTitle title={say('mine.title')}>
        <span className="text-soft">{say('mine.how')}</span>
      </RoomTitle>
      <Trouble error={wayIn.error} />
      <ListRoom
        label={say('mine.title')}
        query={mine}
        place={place}
        columns={columns(wayIn.isPending, (number) => wayIn.mutate(number))}
        keyOf={({ party, row }) => row.number + party}
        waiting={say('mine.looking')}
        empty={say('mine.nothing')}
      />
    </>
  );
}

const stepOf = ({ party, row }: Waits) => row.route.find((one) => one.party === party);

function columns(busy: boolean, onOpen: (number: string) => void): Column<Waits>[] {
  return [
    {
      id: 'route',
      title: say('agreements.route'),
      width: 80,
      cell: ({ row }) => <Blind slats={row.route} />,
    },
    {
      id: 'number',
      title: say('agreements.number'),
      width: 120,
      cell: ({ row }) => row.number,
    },
    {
      id: 'title',
      title: say('agreements.agreement'),
      width: 380,
      cell: ({ row }) => row.title,
    },
    {
      id: 'part',
      title: say('mine.your-part'),
      width: 220,
      cell: (one) => {
        const step = stepOf(one);
        return step && `${step.label}, ${dutyWords[step.duty]}`;
      },
    },
    {
      id: 'since',
      title: say('mine.waits'),
      width: 130,
      cell: (one) => {
        const began = stepOf(one)?.since;
        return began && <span title={dateTime(began)}>{since(began)}</span>;
      },
    },
    {
      id: 'until',
      title: say('mine.until'),
      width: 120,
      cell: ({ row }) => row.expiresAt && lastDay(row.expiresAt),
    },
    {
      id: 'act',
      title: say('mine.act'),
      width: 160,
      cell: ({ row }) => (
        <Button
          aria-label={say('mine.open-it', { title: row.title, number: row.number })}
          disabled={busy}
          onClick={() => onOpen(row.number)}
        >
          {say('mine.open')}
        </Button>
      ),
    },
  ];
}
