import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Pace } from '../route/Pace';
import { RouteCalendar } from '../route/RouteCalendar';
import { inputLook, Trouble, Waiting } from '../ui/parts';

type Detail = Schemas['AgreementDetail'];

/** What has happened on an agreement's route, and what comes; before it is sent, as if it were sent now. */
export function RouteOfAgreement({ detail }: { detail: Detail }) {
  const [pace, setPace] = useState(0);
  const [start, setStart] = useState('');
  const { number, state } = detail.row;
  const calendar = useQuery({
    queryKey: ['agreement', number, 'calendar', pace, start, detail.trail.length],
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements/{number}/calendar', {
          params: { path: { number }, query: { pace, ...(start ? { start: `${start}:00` } : {}) } },
        }),
      ),
  });
  return (
    <section aria-label={say('agreements.route-as-calendar')} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-4">
        <h2 className="mr-auto text-lg">
          {say(state === 'CHECK' ? 'agreements.calendar-if-sent' : 'agreements.route-as-calendar')}
        </h2>
        {state === 'CHECK' && (
          <label className="flex flex-col gap-0.5">
            <span className="text-soft">{say('templates.if-sent-on')}</span>
            <input
              type="datetime-local"
              className={inputLook}
              value={start}
              onChange={(event) => setStart(event.target.value)}
            />
          </label>
        )}
        {(state === 'CHECK' || state === 'OUT') && <Pace pace={pace} onPace={setPace} />}
      </div>
      <Trouble error={calendar.error} />
      {!calendar.data && !calendar.error && (
        <Waiting what={say('templates.working-out-the-route')} />
      )}
      {calendar.data && <RouteCalendar calendar={calendar.data} parts={detail.people} />}
    </section>
  );
}
