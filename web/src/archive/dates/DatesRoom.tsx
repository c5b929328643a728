import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { say } from '../../messages/rooms';
import { useSession } from '../../office/queries';
import { useMay } from '../../office/roles';
import { Chips } from '../../ui/list/ListTools';
import { ListRoom } from '../../ui/list/ListRoom';
import { DayRange } from '../../ui/list/DayRange';
import { useListPlace } from '../../ui/list/useListPlace';
import { Button, RoomTitle, Trouble } from '../../ui/parts';
import { dateColumns } from './dateColumns';
import { kindWords, kinds } from './dateWords';
import { TemplateChoice, useAskable } from '../TemplateChoice';
import { DealWith } from './DealWith';
import { useDates, useTemplateDates, type Kind, type WatchedDate } from './queries';
import { WatchDates } from './WatchDates';

/** What ends, goes on, or has to be given notice of soon, in all completed agreements. */
export default function DatesRoom() {
  const place = useListPlace();
  const [params, setParams] = useSearchParams();
  const session = useSession().data;
  const coordinator = useMay('COORDINATOR');
  const templates = useAskable();
  const [dealt, setDealt] = useState<WatchedDate>();
  const [watching, setWatching] = useState(false);
  const over = params.get('over') === 'yes';
  const mine = params.get('mine') === 'yes';
  const template = params.get('template') ?? '';
  const kind = kinds.find((one) => one === params.get('kind'));
  const [from, to] = [params.get('from') ?? '', params.get('to') ?? ''];
  const asked = {
    ...(over && { over }),
    ...(template && { template }),
    ...(kind && { kind }),
    ...(from && { from }),
    ...(to && { to }),
    ...(mine && session && { owner: session.mail }),
  };
  const list = useDates(asked, place);
  const ofTemplate = useTemplateDates(template);
  const { gone, edition } = ofTemplate.data ?? {};
  const queries = useQueryClient();
  // what is gone through meanwhile shows when it is done
  useEffect(() => {
    if (gone) void queries.invalidateQueries({ queryKey: ['dates', 'list'] });
  }, [gone, edition, queries]);
  const ask = (next: Record<string, string>) =>
    setParams(
      (before) => {
        const changed = new URLSearchParams(before);
        for (const [name, value] of Object.entries({ page: '', ...next }))
          if (value) changed.set(name, value);
          else changed.delete(name);
        return changed;
      },
      { replace: true },
    );
  const table = (format: string) =>
    `/api/v1/archive/dates/table?${new URLSearchParams({ ...asParams(asked), format }).toString()}`;
  const narrowed = Boolean(kind ?? (from || to || mine));
  return (
    <>
      <RoomTitle title={say('dates.dates')}>
        <TemplateChoice chosen={template} onChoose={(id) => ask({ template: id })} />
        {coordinator && ofTemplate.data && (
          <Button onClick={() => setWatching(true)}>{say('dates.choose')}</Button>
        )}
      </RoomTitle>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <Chips
          label={say('dates.which')}
          options={[
            { value: 'open', words: say('dates.coming') },
            { value: 'over', words: say('dates.over') },
          ]}
          required
          chosen={over ? 'over' : 'open'}
          onChoose={(value) => ask({ over: value === 'over' ? 'yes' : '', sort: '' })}
        />
        <Chips
          label={say('dates.kind')}
          options={kinds.map((value) => ({ value, words: kindWords(value) }))}
          chosen={kind ?? ''}
          onChoose={(value: Kind | '') => ask({ kind: value })}
        />
        <Chips
          label={say('dates.whose')}
          options={[{ value: 'mine', words: say('dates.mine') }]}
          chosen={mine ? 'mine' : ''}
          onChoose={(value) => ask({ mine: value ? 'yes' : '' })}
        />
        <DayRange
          from={from}
          to={to}
          words={{ from: say('dates.from'), to: say('dates.to') }}
          onChange={ask}
        />
      </div>
      <Trouble error={ofTemplate.error} />
      {ofTemplate.data && !ofTemplate.data.gone && (
        <p role="status" className="pb-2 text-clay">
          {say('dates.being-gone-through')}
        </p>
      )}
      <ListRoom
        label={say('dates.dates')}
        query={list}
        place={place}
        columns={dateColumns(coordinator ? setDealt : undefined)}
        keyOf={({ id }) => id}
        to={({ number }) => `/archive/${number}`}
        waiting={say('dates.looking')}
        empty={
          narrowed || over
            ? say('dates.none-so')
            : template
              ? say('dates.none-of-template')
              : say('dates.none')
        }
      />
      {list.data && list.data.total > 0 && (
        <div
          role="group"
          aria-label={say('archive.as-files')}
          className="flex flex-wrap gap-x-4 gap-y-2 pt-4"
        >
          {(['CSV', 'XLSX'] as const).map((format) => (
            <a key={format} href={table(format)} download>
              {say('archive.list-as', { format })}
            </a>
          ))}
        </div>
      )}
      {dealt && <DealWith date={dealt} onClose={() => setDealt(undefined)} />}
      {watching && ofTemplate.data && (
        <WatchDates
          template={template}
          name={templates.find(({ id }) => id === template)?.name ?? ''}
          watched={ofTemplate.data}
          onClose={() => setWatching(false)}
        />
      )}
    </>
  );
}

const asParams = (asked: object) =>
  Object.fromEntries(Object.entries(asked).map(([name, value]) => [name, String(value)]));
