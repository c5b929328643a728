import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Column } from '../../ui/list/List';
import { Button } from '../../ui/parts';
import { date, dateTime } from '../../ui/time';
import { stateWords } from '../../ui/words';
import type { DestroyedAgreement, DestructionConfirmed, KeptAgreement, LegalHold } from './queries';

const day = (iso: string | null) =>
  iso && <span className="whitespace-nowrap tabular-nums">{date(iso)}</span>;

/** Where an agreement that has ended is looked at. */
export const placeOf = ({ number, state }: { number: string; state?: string }) =>
  `/${state === 'COMPLETED' ? 'archive' : 'agreements'}/${number}`;

function Named({ to, title, number }: { to: string; title: string; number: string }) {
  return (
    <>
      <Link to={to}>{title}</Link> <span className="text-soft">{number}</span>
    </>
  );
}

/** @param onChoose none for who may only look */
export function dueColumns(
  chosen: ReadonlySet<string>,
  onChoose: ((number: string) => void) | undefined,
): Column<KeptAgreement>[] {
  return [
    ...(onChoose
      ? [
          {
            id: 'chosen',
            title: say('retention.chosen'),
            width: 64,
            cell: ({ number }: KeptAgreement) => (
              <input
                type="checkbox"
                aria-label={say('retention.choose', { number })}
                className="size-5"
                checked={chosen.has(number)}
                onChange={() => onChoose(number)}
              />
            ),
          },
        ]
      : []),
    {
      id: 'agreement',
      title: say('dates.agreement'),
      width: 320,
      cell: (one) => <Named to={placeOf(one)} title={one.title} number={one.number} />,
    },
    {
      id: 'template',
      title: say('archive.template'),
      width: 180,
      cell: ({ template }) => <span className="text-soft">{template}</span>,
    },
    {
      id: 'state',
      title: say('archive.ended-how'),
      width: 120,
      cell: ({ state }) => stateWords[state],
    },
    {
      id: 'counted',
      title: say('retention.counted-from'),
      width: 130,
      cell: ({ counted }) => day(counted),
    },
    {
      id: 'until',
      title: say('retention.kept-until'),
      width: 130,
      cell: ({ until }) => day(until),
    },
  ];
}

/** @param onLift none for who may only look */
export function holdColumns(onLift: ((hold: LegalHold) => void) | undefined): Column<LegalHold>[] {
  return [
    {
      id: 'agreement',
      title: say('dates.agreement'),
      width: 300,
      cell: (one) => <Named to={placeOf(one)} title={one.title} number={one.number} />,
    },
    {
      id: 'reason',
      title: say('retention.reason'),
      width: 320,
      cell: ({ reason }) => reason,
    },
    { id: 'by', title: say('retention.by'), width: 140, cell: ({ by }) => by },
    { id: 'at', title: say('retention.since'), width: 120, cell: ({ at }) => day(at) },
    ...(onLift
      ? [
          {
            id: 'act',
            title: say('dates.act'),
            width: 110,
            cell: (one: LegalHold) => (
              <Button className="min-h-7" onClick={() => onLift(one)}>
                {say('retention.lift')}
                <span className="sr-only">{one.number}</span>
              </Button>
            ),
          },
        ]
      : []),
  ];
}

/** @param onKeep none for who may only look */
export function confirmedColumns(
  onKeep: ((one: DestructionConfirmed) => void) | undefined,
): Column<DestructionConfirmed>[] {
  return [
    {
      id: 'agreement',
      title: say('dates.agreement'),
      width: 300,
      cell: (one) => (
        <Named to={`/agreements/${one.number}`} title={one.title} number={one.number} />
      ),
    },
    {
      id: 'until',
      title: say('retention.kept-until'),
      width: 130,
      cell: ({ until }) => day(until),
    },
    { id: 'by', title: say('retention.confirmed-by'), width: 140, cell: ({ by }) => by },
    {
      id: 'when',
      title: say('retention.destroyed-from'),
      width: 170,
      cell: ({ when }) => <span className="whitespace-nowrap">{dateTime(when)}</span>,
    },
    {
      id: 'copies',
      title: say('retention.copies'),
      width: 110,
      cell: ({ copies }) => say(copies ? 'retention.copies-gone' : 'retention.copies-stay'),
    },
    {
      id: 'waits',
      title: say('retention.waits'),
      width: 220,
      present: ({ waitsFor }) => waitsFor !== '',
      cell: ({ waitsFor }) => <span className="text-clay">{waitsFor}</span>,
    },
    ...(onKeep
      ? [
          {
            id: 'act',
            title: say('dates.act'),
            width: 130,
            cell: (one: DestructionConfirmed) => (
              <Button className="min-h-7" onClick={() => onKeep(one)}>
                {say('retention.keep-it')}
                <span className="sr-only">{one.number}</span>
              </Button>
            ),
          },
        ]
      : []),
  ];
}

export const destroyedColumns: Column<DestroyedAgreement>[] = [
  { id: 'number', title: say('retention.number'), width: 120, cell: ({ number }) => number },
  { id: 'template', title: say('archive.template'), width: 190, cell: ({ template }) => template },
  {
    id: 'state',
    title: say('archive.ended-how'),
    width: 110,
    cell: ({ state }) => state && stateWords[state],
  },
  { id: 'created', title: say('retention.made'), width: 110, cell: ({ created }) => day(created) },
  { id: 'ended', title: say('archive.ended'), width: 110, cell: ({ ended }) => day(ended) },
  { id: 'until', title: say('retention.kept-until'), width: 120, cell: ({ until }) => day(until) },
  { id: 'by', title: say('retention.confirmed-by'), width: 140, cell: ({ by }) => by },
  {
    id: 'destroyed',
    title: say('retention.destroyed-on'),
    width: 120,
    cell: ({ destroyed }) => day(destroyed),
  },
  {
    id: 'file',
    title: say('retention.tombstone'),
    width: 110,
    cell: ({ number }) => (
      <a href={`/api/v1/archive/retention/destroyed/${number}`} download={`${number}.json`}>
        {say('retention.tombstone-file')}
        <span className="sr-only">{number}</span>
      </a>
    ),
  },
];
