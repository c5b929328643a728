import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { RouteCalendar } from '../../route/RouteCalendar';
import { Pace } from '../../route/Pace';
import { inputLook, Trouble, Waiting } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';

/** Who would get what on which day, for a start chosen freely. */
export function RoutePlan({
  bench: { detail, unsaved },
  specimen,
}: {
  bench: Bench;
  specimen: number | undefined;
}) {
  const [start, setStart] = useState('');
  const [pace, setPace] = useState(0);
  const plan = useQuery({
    queryKey: ['plan', detail.id, detail.revision, start, pace, specimen],
    enabled: !unsaved,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/calendar', {
          params: {
            path: { id: detail.id },
            query: {
              pace,
              ...(start ? { start: `${start}:00` } : {}),
              ...(specimen === undefined ? {} : { specimen }),
            },
          },
        }),
      ),
  });
  return (
    <section aria-label={say('templates.route-as-calendar')} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-4">
        <h2 className="mr-auto text-lg">{say('templates.route-as-calendar')}</h2>
        <Setting label={say('templates.if-sent-on')}>
          <input
            type="datetime-local"
            className={inputLook}
            value={start}
            onChange={(event) => setStart(event.target.value)}
          />
        </Setting>
        <Pace pace={pace} onPace={setPace} />
      </div>
      <p className="text-soft">
        {plan.data &&
          say('templates.office-works', {
            opens: plan.data.opens.slice(0, 5),
            closes: plan.data.closes.slice(0, 5),
            zone: plan.data.zone,
          })}
      </p>
      <Trouble error={plan.error} />
      {!plan.data && !plan.error && <Waiting what={say('templates.working-out-the-route')} />}
      {plan.data && (
        <RouteCalendar
          calendar={plan.data}
          parts={detail.content.parties.map(({ key, label }) => ({ party: key, label }))}
        />
      )}
    </section>
  );
}
