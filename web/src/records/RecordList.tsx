import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Column } from '../ui/list/List';
import { ListRoom } from '../ui/list/ListRoom';
import { Filter } from '../ui/list/ListTools';
import { useListPlace } from '../ui/list/useListPlace';
import { inputLook } from '../ui/parts';
import { dateTime } from '../ui/time';
import { stepName, stepStates } from './records';

type Row = Schemas['RecordRow'];

/** Records that something was done with, the newest first. */
export function RecordList({ system }: { system: Schemas['RecordSystemDetail'] }) {
  const place = useListPlace();
  const { find, page, params, go } = place;
  const which = (params.get('which') ?? '') as '' | 'FAULTY' | 'GIVEN_UP';
  const list = useQuery({
    queryKey: ['records', system.id, find, which, page],
    queryFn: () =>
      answer(
        api.GET('/api/v1/record-systems/{id}/records', {
          params: { path: { id: system.id }, query: { find, page, ...(which && { which }) } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 3_000,
  });
  const to = (one: Row) =>
    `/programs/records/${system.id}/record?key=${encodeURIComponent(one.key)}`;
  const columns: Column<Row>[] = [
    {
      id: 'key',
      title: say('records.record'),
      width: 200,
      cell: (one) => <Link to={to(one)}>{one.key}</Link>,
    },
    {
      id: 'agreement',
      title: say('records.agreement'),
      width: 140,
      cell: (one) =>
        one.agreement && (
          <Link to={`/agreements/${one.agreement}`} className="tabular-nums">
            {one.agreement}
          </Link>
        ),
    },
    {
      id: 'step',
      title: say('records.step'),
      width: 260,
      cell: (one) => one.step && say(stepName(one.step)),
    },
    {
      id: 'state',
      title: say('programs.state'),
      width: 380,
      cell: (one) => (
        <span className={one.state === 'GIVEN_UP' || one.taken === 'FAULTY' ? 'text-oxide' : ''}>
          {one.state ? say(stepStates[one.state]) : say('records.to-be-looked-at')}
          {one.fault && `, ${one.fault}`}
          {one.taken === 'FAULTY' &&
            `, ${say('records.faults-count', { count: one.faults.length })}`}
        </span>
      ),
    },
    { id: 'at', title: say('programs.when'), width: 170, cell: (one) => dateTime(one.changedAt) },
  ];
  return (
    <section aria-labelledby="records" className="pb-6">
      <div className="flex flex-wrap items-end gap-4 pb-2">
        <h2 id="records" className="mr-auto text-lg">
          {say('records.records')}
        </h2>
        <Filter
          label={say('records.find-record')}
          value={find}
          onChange={(text) => go({ find: text, page: '' })}
        />
        <label className="flex items-center gap-2">
          <span className="text-soft">{say('programs.shown')}</span>
          <select
            className={inputLook}
            value={which}
            onChange={(event) => go({ which: event.target.value, page: '' })}
          >
            <option value="">{say('programs.all-notices')}</option>
            <option value="FAULTY">{say('records.faulty')}</option>
            <option value="GIVEN_UP">{say('records.not-written')}</option>
          </select>
        </label>
      </div>
      <ListRoom
        label={say('records.records')}
        query={list}
        place={place}
        columns={columns}
        keyOf={(one) => one.key}
        to={to}
        waiting={say('programs.looking-up')}
        empty={find || which ? say('records.none-such') : say('records.records-none')}
      />
    </section>
  );
}
