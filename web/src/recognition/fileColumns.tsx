import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { Button } from '../ui/parts';
import { listed } from '../ui/words';
import { dateTime } from '../ui/time';

type Row = Schemas['FinishedFileRow'];

/** What is compared of files that were made elsewhere. */
export function fileColumns(
  chosen: ReadonlySet<string>,
  choose: (id: string, on: boolean) => void,
  remove: (id: string) => void,
): Column<Row>[] {
  return [
    {
      id: 'choose',
      title: say('recognition.column-confirm'),
      width: 80,
      present: (one) => one.ready,
      cell: (one) =>
        one.ready && (
          <input
            type="checkbox"
            className="size-4 align-middle"
            aria-label={say('recognition.confirm', { name: one.name })}
            checked={chosen.has(one.id)}
            onChange={(event) => choose(one.id, event.target.checked)}
          />
        ),
    },
    {
      id: 'name',
      title: say('recognition.column-file'),
      width: 240,
      sort: 'name',
      cell: (one) => <Link to={`/intake/files/${one.id}`}>{one.name}</Link>,
    },
    { id: 'template', title: say('recognition.column-is'), width: 260, cell: what },
    { id: 'says', title: say('recognition.column-says'), width: 260, cell: says },
    {
      id: 'created',
      title: say('intake.when'),
      width: 140,
      sort: 'created',
      cell: (one) => <span className="text-soft">{dateTime(one.createdAt)}</span>,
    },
    {
      id: 'agreement',
      title: say('intake.agreement'),
      width: 140,
      cell: (one) =>
        one.agreement ? (
          <Link to={`/agreements/${one.agreement}`}>{one.agreement}</Link>
        ) : (
          <Button
            className="my-0.5 min-h-7 py-0"
            aria-label={say('recognition.take-off', { name: one.name })}
            onClick={() => remove(one.id)}
          >
            {say('recognition.take-off-short')}
          </Button>
        ),
    },
  ];
}

function what(one: Row) {
  if (one.state === 'READING')
    return <span className="text-clay">{say('recognition.being-read')}</span>;
  if (one.state === 'REFUSED')
    return <span className="text-oxide">{say('recognition.not-taken')}</span>;
  if (one.state === 'BY_HAND')
    return <Link to={`/templates/${one.byHand}`}>{say('recognition.set-up-by-hand')}</Link>;
  if (!one.template) return <span className="text-clay">{say('recognition.not-recognised')}</span>;
  return say('recognition.template-likeness', { template: one.template, likeness: one.likeness });
}

/** What of it a person has to look at, in as few words as there are. */
function says(one: Row) {
  if (one.state === 'REFUSED') return <span title={one.reason}>{one.reason}</span>;
  if (one.state !== 'READ' || !one.template) return null;
  if (one.ready) return <span className="text-moss">{say('recognition.ready')}</span>;
  const all = [
    one.differences > 0 && say('recognition.differs', { count: one.differences }),
    one.missing.length > 0 && say('recognition.missing', { what: listed(one.missing) }),
    one.unsure.length > 0 && say('recognition.unsure', { what: listed(one.unsure) }),
    one.without.length > 0 && say('recognition.without', { who: listed(one.without) }),
  ].filter((said) => said !== false);
  return (
    <span className="text-clay" title={all.join('; ')}>
      {all.join('; ')}
    </span>
  );
}
