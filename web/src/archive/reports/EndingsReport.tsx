import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { ListRoom } from '../../ui/list/ListRoom';
import type { ListPlace } from '../../ui/list/useListPlace';
import { Empty } from '../../ui/parts';
import { date } from '../../ui/time';
import { Unshown } from '../../ui/Unshown';
import { stateWords } from '../../ui/words';
import { Figures } from './Figures';
import { Picture } from './Picture';
import { useEndings, useInVain, type EndedInVain, type ReportAsked } from './queries';

const columns: Column<EndedInVain>[] = [
  {
    id: 'at',
    title: say('reports.when'),
    width: 110,
    sort: 'at',
    cell: ({ at }) => <span className="whitespace-nowrap tabular-nums">{date(at)}</span>,
  },
  { id: 'how', title: say('archive.ended'), width: 90, cell: ({ how }) => stateWords[how] },
  {
    id: 'agreement',
    title: say('dates.agreement'),
    width: 260,
    cell: ({ number, title }) => (
      <>
        <Link to={`/agreements/${number}`}>{title}</Link>{' '}
        <span className="text-soft">{number}</span>
      </>
    ),
  },
  {
    id: 'part',
    title: say('reports.part'),
    width: 130,
    present: ({ part }) => part !== '',
    cell: ({ part }) => part,
  },
  {
    id: 'by',
    title: say('reports.by'),
    width: 130,
    present: ({ by }) => by !== '',
    cell: ({ by }) => by,
  },
  {
    id: 'reason',
    title: say('reports.reason'),
    width: 320,
    cell: ({ reason }) => reason || <span className="text-soft">{say('reports.no-reason')}</span>,
  },
];

/** How agreements ended, and why some came to nothing. */
export function EndingsReport({
  asked,
  place,
  linkTo,
}: {
  asked: ReportAsked;
  place: ListPlace;
  linkTo: (template: string) => string;
}) {
  const endings = useEndings(asked);
  const inVain = useInVain(asked, place);
  if (!endings.data) return <Unshown query={endings} waiting={say('reports.adding-up')} />;
  if (endings.data.length === 0) return <Empty>{say('reports.none-ended')}</Empty>;
  return (
    <>
      <Picture report="ENDINGS" asked={asked} />
      <Figures
        label={say('reports.endings')}
        rows={endings.data}
        keyOf={({ templateId }) => templateId}
        columns={[
          {
            title: say('archive.template'),
            cell: ({ templateId, template }) => <Link to={linkTo(templateId)}>{template}</Link>,
          },
          { title: say('reports.completed'), number: true, cell: ({ completed }) => completed },
          { title: say('reports.declined'), number: true, cell: ({ declined }) => declined },
          { title: say('reports.withdrawn'), number: true, cell: ({ withdrawn }) => withdrawn },
          { title: say('reports.expired'), number: true, cell: ({ expired }) => expired },
        ]}
      />
      <h2 className="pt-6 pb-2 text-lg">{say('reports.why')}</h2>
      <ListRoom
        label={say('reports.why')}
        query={inVain}
        place={place}
        columns={columns}
        keyOf={({ number }) => number}
        to={({ number }) => `/agreements/${number}`}
        waiting={say('reports.adding-up')}
        empty={say('reports.none-in-vain')}
      />
    </>
  );
}
