import { say } from '../../messages/rooms';
import { DayRange } from '../../ui/list/DayRange';
import { Chips } from '../../ui/list/ListTools';
import { useListPlace } from '../../ui/list/useListPlace';
import { RoomTitle } from '../../ui/parts';
import { TemplateChoice } from '../TemplateChoice';
import { EndingsReport } from './EndingsReport';
import { OutReport } from './OutReport';
import { fileOf } from './Picture';
import { reports, type Report, type ReportAsked } from './queries';
import { reportWords, twelveMonths } from './reportWords';
import { RequestsReport } from './RequestsReport';
import { TimesReport } from './TimesReport';

/** Where the time goes, what is out how long, what came to nothing and why, and what is asked for. */
export default function ReportsRoom() {
  const place = useListPlace();
  const { params, go } = place;
  const report: Report = reports.find((one) => one === params.get('report')) ?? 'TIMES';
  const template = params.get('template') ?? '';
  const ever = params.get('ever') === 'yes';
  const [first, last] = [params.get('from') ?? '', params.get('to') ?? ''];
  const usual = !ever && !first && !last;
  const from = usual ? twelveMonths(new Date()) : first;
  const asked: ReportAsked =
    report === 'OUT'
      ? { ...(template && { template }) }
      : {
          ...(template && { template }),
          ...(from && { from }),
          ...(last && { to: last }),
        };
  const ask = (next: Record<string, string>) => go({ page: '', ...next });
  const linkTo = (one: string) => {
    const there = new URLSearchParams(params);
    there.delete('page');
    there.set('template', one);
    return `/archive/reports?${there.toString()}`;
  };
  return (
    <>
      <RoomTitle title={say('reports.reports')}>
        <TemplateChoice chosen={template} onChoose={(id) => ask({ template: id })} />
      </RoomTitle>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <Chips
          label={say('reports.which')}
          options={reports.map((value) => ({ value, words: reportWords[value] }))}
          required
          chosen={report}
          onChoose={(value) => ask({ report: value === 'TIMES' ? '' : value, sort: '' })}
        />
        {report !== 'OUT' && (
          <>
            <Chips
              label={say('reports.period')}
              options={[
                { value: 'year', words: say('reports.twelve-months') },
                { value: 'ever', words: say('reports.ever') },
              ]}
              chosen={usual ? 'year' : ever ? 'ever' : ''}
              required
              onChoose={(value) => ask({ from: '', to: '', ever: value === 'ever' ? 'yes' : '' })}
            />
            <DayRange
              from={first}
              to={last}
              words={{ from: say('dates.from'), to: say('dates.to') }}
              onChange={(next) => ask({ ...next, ever: '' })}
            />
          </>
        )}
      </div>
      {report === 'TIMES' && <TimesReport asked={asked} linkTo={linkTo} />}
      {report === 'OUT' && <OutReport template={template} linkTo={linkTo} />}
      {report === 'ENDINGS' && <EndingsReport asked={asked} place={place} linkTo={linkTo} />}
      {report === 'REQUESTS' && <RequestsReport asked={asked} />}
      <div
        role="group"
        aria-label={say('archive.as-files')}
        className="flex flex-wrap gap-x-4 gap-y-2 pt-4"
      >
        {(['CSV', 'XLSX'] as const).map((format) => (
          <a key={format} href={fileOf(report, asked, format)} download>
            {say(report === 'ENDINGS' ? 'reports.why-as' : 'archive.list-as', { format })}
          </a>
        ))}
        <a href={fileOf(report, asked)} download={`${reportWords[report]}.svg`}>
          {say('reports.picture-as')}
        </a>
      </div>
    </>
  );
}
