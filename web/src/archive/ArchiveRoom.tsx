import { say } from '../messages/rooms';
import { Link, useSearchParams } from 'react-router';
import { useMay } from '../office/roles';
import { Chips, Filter } from '../ui/list/ListTools';
import { DayRange } from '../ui/list/DayRange';
import { ListRoom } from '../ui/list/ListRoom';
import { useListPlace } from '../ui/list/useListPlace';
import { RoomTitle, Trouble } from '../ui/parts';
import { stateWords } from '../ui/words';
import { changed, endedStates, fileOf, readAsked } from './views/asked';
import { archiveColumns, sumWords } from './views/columns';
import { EvidenceOfThese } from './EvidenceOfThese';
import { GroupedArchive } from './views/GroupedArchive';
import { NarrowArchive } from './views/NarrowArchive';
import { useArchive, useFollowed, useGroups, useTemplateColumns } from './views/queries';
import { ViewTools } from './views/ViewTools';

/** Agreements that have ended, found by party, number, template, any value or any word, and looked at by their data. */
export default function ArchiveRoom() {
  const place = useListPlace();
  const [params, setParams] = useSearchParams();
  const asked = readAsked(params);
  const coordinator = useMay('COORDINATOR');
  const ofTemplate = useTemplateColumns(asked.template);
  useFollowed(ofTemplate.data);
  const all = (asked.template && ofTemplate.data?.chosen) || [];
  const chosen = all.filter(({ key }) => asked.columns.length === 0 || asked.columns.includes(key));
  const sums = chosen.filter(({ kind }) => ['NUMBER', 'MONEY', 'ITEMS'].includes(kind));
  const columns = archiveColumns(asked.state, chosen, asked.template === '');
  const list = useArchive(asked, place);
  const whole = useGroups(asked, '', 0).data?.all;
  const grouped = all.find(({ key }) => key === asked.group);
  const ask = (next: Parameters<typeof changed>[1]) =>
    setParams(changed(params, next), { replace: true });
  const narrowed = asked.where.length > 0 || asked.from || asked.to;
  return (
    <>
      <RoomTitle title={say('archive.archive')}>
        <Filter
          label={say('archive.find-by-party-number-value')}
          value={asked.find}
          onChange={(find) => ask({ find })}
        />
        <Link to="/archive/dates">{say('dates.dates')}</Link>
        <Link to="/archive/reports">{say('reports.reports')}</Link>
        <Link to="/archive/retention">{say('retention.retention')}</Link>
        <Link to="/archive/check">{say('check.check-a-file')}</Link>
        <Link to="/archive/roots">{say('roots.daily-roots')}</Link>
        <Link to="/archive/stamps">{say('stamps.archive-time-stamps')}</Link>
        {coordinator && <Link to="/archive/filing">{say('filing.filing')}</Link>}
      </RoomTitle>
      <ViewTools
        asked={asked}
        sort={place.sort}
        params={params}
        setParams={setParams}
        columns={all}
      />
      <div className="flex flex-wrap items-baseline gap-x-6">
        <Chips
          label={say('archive.ended-how')}
          options={endedStates.map((value) => ({ value, words: stateWords[value] }))}
          required
          chosen={asked.state}
          onChoose={(state) => ask({ state: state || 'COMPLETED' })}
        />
        <DayRange
          from={asked.from}
          to={asked.to}
          words={{ from: say('archive.ended-from'), to: say('archive.ended-to') }}
          onChange={ask}
        />
        {all.length > 0 && (
          <NarrowArchive columns={all} where={asked.where} onChange={(where) => ask({ where })} />
        )}
      </div>
      <Trouble error={ofTemplate.error} />
      {ofTemplate.data && ofTemplate.data.behind > 0 && (
        <p role="status" className="pb-2 text-clay">
          {say('archive.being-gone-through', { count: ofTemplate.data.behind })}
        </p>
      )}
      {asked.group ? (
        <GroupedArchive
          key={asked.group}
          asked={asked}
          sort={place.sort}
          title={
            grouped?.label ??
            (asked.group === '.ended' ? say('archive.month') : say('archive.template'))
          }
          all={all}
          columns={columns.filter(({ id }) => id !== 'route')}
          sums={sums}
          months={
            asked.group === '.ended' || grouped?.kind === 'DATE' || grouped?.kind === 'MOMENT'
          }
        />
      ) : (
        <>
          <ListRoom
            label={say('archive.archive')}
            query={list}
            place={place}
            columns={columns}
            keyOf={(item) => item.number}
            to={(item) =>
              `${asked.state === 'COMPLETED' ? '/archive' : '/agreements'}/${item.number}`
            }
            waiting={say('archive.looking-into-the-archive')}
            empty={
              narrowed
                ? say('archive.nothing-is-so')
                : asked.find
                  ? say('archive.nothing-in-the-archive-has')
                  : say('archive.agreements-are-filed-here-when')
            }
          />
          {whole && sums.length > 0 && whole.count > 0 && (
            <dl aria-label={say('archive.in-all')} className="flex flex-wrap gap-x-6 pt-2">
              {sums.map((column) => (
                <div key={column.key} className="flex gap-2">
                  <dt className="text-soft">{say('archive.sum-of', { label: column.label })}</dt>
                  <dd className="tabular-nums">{sumWords(whole, column) || '–'}</dd>
                </div>
              ))}
            </dl>
          )}
        </>
      )}
      {whole && whole.count > 0 && (
        <div
          role="group"
          aria-label={say('archive.as-files')}
          className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-4"
        >
          {(['CSV', 'XLSX'] as const).map((format) => (
            <a key={format} href={fileOf(asked, place.sort, format)} download>
              {say('archive.list-as', { format })}
            </a>
          ))}
          {!asked.group && asked.state === 'COMPLETED' && (
            <EvidenceOfThese numbers={list.data?.items.map(({ number }) => number) ?? []} />
          )}
        </div>
      )}
    </>
  );
}
