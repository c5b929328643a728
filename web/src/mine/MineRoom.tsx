import { say } from '../messages/rooms';
import { Blind } from '../blind/Blind';
import { Button, Empty, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { dateTime, lastDay, since } from '../ui/time';
import { dutyWords } from '../ui/words';
import { useMine, useWayIn } from './useMine';

/** All that waits for who is signed in: several can be done in a row, each with its own consent. */
export default function MineRoom() {
  const mine = useMine();
  const wayIn = useWayIn();
  if (!mine.data) return <Unshown query={mine} waiting={say('mine.looking')} />;
  const { items, total } = mine.data;
  return (
    <>
      <RoomTitle title={say('mine.title')}>
        <span className="text-soft">{say('mine.how')}</span>
      </RoomTitle>
      <Trouble error={wayIn.error} />
      {total === 0 && <Empty>{say('mine.nothing')}</Empty>}
      {total > 0 && (
        <table className="w-full">
          <thead>
            <tr className="border-b border-edge text-left text-soft">
              <th className="w-20 py-1 font-normal">{say('agreements.route')}</th>
              <th className="font-normal">{say('agreements.agreement')}</th>
              <th className="font-normal">{say('mine.your-part')}</th>
              <th className="font-normal">{say('mine.waits')}</th>
              <th className="font-normal">{say('mine.until')}</th>
              <th aria-label={say('mine.act')} />
            </tr>
          </thead>
          <tbody>
            {items.map(({ party, row }, i) => {
              const step = row.route.find((one) => one.party === party);
              return (
                <tr
                  key={row.number + party}
                  className="h-11 border-b border-rule odd:bg-slatted/60"
                >
                  <td className="px-1">
                    <Blind slats={row.route} />
                  </td>
                  <td>
                    {row.title} <span className="text-soft">{row.number}</span>
                  </td>
                  <td>{step && `${step.label}, ${dutyWords[step.duty]}`}</td>
                  <td title={step?.since ? dateTime(step.since) : undefined}>
                    {step?.since && since(step.since)}
                  </td>
                  <td>{row.expiresAt && lastDay(row.expiresAt)}</td>
                  <td className="text-right">
                    <Button
                      look={i === 0 ? 'main' : 'plain'}
                      aria-label={say('mine.open-it', { title: row.title, number: row.number })}
                      disabled={wayIn.isPending}
                      onClick={() => wayIn.mutate(row.number)}
                    >
                      {say('mine.open')}
                    </Button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {total > items.length && (
        <p className="pt-2 text-soft">{say('mine.more', { more: total - items.length })}</p>
      )}
    </>
  );
}
