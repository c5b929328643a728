import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';

type Hours = Schemas['CalendarView'];

const week = [
  'MONDAY',
  'TUESDAY',
  'WEDNESDAY',
  'THURSDAY',
  'FRIDAY',
  'SATURDAY',
  'SUNDAY',
] as const;
const called = (at: number) =>
  new Date(Date.UTC(2026, 10, 23 + at)).toLocaleDateString('en-GB', {
    weekday: 'long',
    timeZone: 'UTC',
  });

/** When the office works: the hours in which mail that chases people may go, and its holidays. */
export default function HoursRoom() {
  const hours = useQuery({
    queryKey: ['hours'],
    queryFn: () => answer(api.GET('/api/v1/office/calendar')),
  });
  if (!hours.data) return <Unshown query={hours} waiting={say('office.opening')} />;
  return <HoursForm known={hours.data} />;
}

function HoursForm({ known }: { known: Hours }) {
  const queries = useQueryClient();
  /** What was kept when this editing began: what others keep meanwhile doesn't become its own. */
  const [begun, setBegun] = useState(known);
  const [hours, setHours] = useState(known);
  const take = (kept: Hours) => {
    setBegun(kept);
    setHours(kept);
  };
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/v1/office/calendar', {
          body: {
            revision: begun.revision,
            workingDays: hours.workingDays,
            opens: hours.opens,
            closes: hours.closes,
            holidays: hours.holidays,
          },
        }),
      ),
    onSuccess: (kept) => {
      queries.setQueryData(['hours'], kept);
      take(kept);
    },
  });
  const reload = useMutation({
    mutationFn: () => queries.fetchQuery<Hours>({ queryKey: ['hours'], staleTime: 0 }),
    onSuccess: (kept) => {
      save.reset();
      take(kept);
    },
  });
  const set = (part: Partial<Hours>) => setHours({ ...hours, ...part });
  const changed = JSON.stringify(hours) !== JSON.stringify(begun);
  return (
    <form
      className="flex max-w-3xl flex-col gap-6"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <RoomTitle title={say('office.hours')}>
        <span className="text-soft" role="status">
          {save.isSuccess && !changed ? say('office.hours-kept') : ''}
        </span>
        <Button type="submit" look="main" disabled={!changed || save.isPending}>
          {say('office.keep-hours')}
        </Button>
      </RoomTitle>
      <Trouble error={save.error ?? reload.error} />
      {save.error && (
        <p>
          <Button disabled={reload.isPending} onClick={() => reload.mutate()}>
            {say('office.take-hours-as-kept')}
          </Button>
        </p>
      )}
      <p>{say('office.hours-are-for', { zone: hours.zone })}</p>
      <fieldset>
        <legend className="pb-1 text-lg">{say('office.works-on')}</legend>
        <div className="flex flex-wrap gap-x-5">
          {week.map((day, at) => (
            <label key={day} className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                checked={hours.workingDays.includes(day)}
                onChange={(event) =>
                  set({
                    workingDays: week.filter((one) =>
                      one === day ? event.target.checked : hours.workingDays.includes(one),
                    ),
                  })
                }
              />
              {called(at)}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="flex gap-4">
        {(['opens', 'closes'] as const).map((side) => (
          <label key={side} className="flex flex-col gap-0.5">
            <span className="text-soft">
              {say(side === 'opens' ? 'office.mail-goes-from' : 'office.mail-goes-until')}
            </span>
            <input
              type="time"
              required
              className={inputLook}
              value={hours[side].slice(0, 5)}
              onChange={(event) =>
                event.target.value && set({ [side]: `${event.target.value}:00` })
              }
            />
          </label>
        ))}
      </div>
      <Holidays holidays={hours.holidays} onChange={(holidays) => set({ holidays })} />
    </form>
  );
}

function Holidays({
  holidays,
  onChange,
}: {
  holidays: Schemas['Holiday'][];
  onChange: (holidays: Schemas['Holiday'][]) => void;
}) {
  const [day, setDay] = useState('');
  const [name, setName] = useState('');
  const [everyYear, setEveryYear] = useState(false);
  const taken = holidays.some((one) => one.day === day);
  return (
    <section aria-label={say('office.holidays')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('office.holidays')}</h2>
      {!holidays.length && <p className="text-soft">{say('office.no-holidays')}</p>}
      <ul className="flex flex-col">
        {[...holidays]
          .sort((a, b) => a.day.localeCompare(b.day))
          .map((one) => (
            <li
              key={one.day}
              className="flex min-h-9 items-center gap-4 border-b border-rule even:bg-slatted"
            >
              <time dateTime={one.day} className="w-36 px-2">
                {new Date(`${one.day}T00:00:00Z`).toLocaleDateString('en-GB', {
                  timeZone: 'UTC',
                  day: 'numeric',
                  month: 'long',
                  ...(one.everyYear ? {} : { year: 'numeric' }),
                })}
              </time>
              <span className="mr-auto">
                {one.name}{' '}
                <span className="text-soft">{one.everyYear ? say('office.every-year') : ''}</span>
              </span>
              <Button
                className="min-h-7"
                onClick={() => onChange(holidays.filter((other) => other.day !== one.day))}
              >
                {say('office.remove-holiday', { name: one.name || one.day })}
              </Button>
            </li>
          ))}
      </ul>
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-0.5">
          <span className="text-soft">{say('office.holiday-day')}</span>
          <input
            type="date"
            className={inputLook}
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
        </label>
        <label className="flex flex-col gap-0.5">
          <span className="text-soft">{say('office.holiday-name')}</span>
          <input
            className={inputLook}
            maxLength={100}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            checked={everyYear}
            onChange={(event) => setEveryYear(event.target.checked)}
          />
          {say('office.every-year')}
        </label>
        <Button
          disabled={!day || taken}
          onClick={() => {
            onChange([...holidays, { day, name: name.trim(), everyYear }]);
            setDay('');
            setName('');
          }}
        >
          {say('office.add-holiday')}
        </Button>
      </div>
    </section>
  );
}
