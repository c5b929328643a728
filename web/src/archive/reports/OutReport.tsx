import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import { Empty } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { Figures } from './Figures';
import { Picture } from './Picture';
import { useOut, type ReportAsked } from './queries';
import { spentWords } from './reportWords';

/** What is out now, and how long it has been. */
export function OutReport({
  template,
  linkTo,
}: {
  template: string;
  linkTo: (template: string) => string;
}) {
  const asked: ReportAsked = template ? { template } : {};
  const out = useOut(asked);
  if (!out.data) return <Unshown query={out} waiting={say('reports.adding-up')} />;
  if (out.data.length === 0) return <Empty>{say('reports.none-out')}</Empty>;
  return (
    <>
      <Picture report="OUT" asked={asked} />
      <Figures
        label={say('reports.out')}
        rows={out.data}
        keyOf={({ templateId, party }) => templateId + party}
        columns={[
          {
            title: template ? say('reports.waits-for') : say('archive.template'),
            cell: (row) =>
              !template ? (
                <Link to={linkTo(row.templateId)}>{row.template}</Link>
              ) : (
                row.label || say('reports.all-out')
              ),
          },
          { title: say('reports.agreements'), number: true, cell: ({ many }) => many },
          { title: say('reports.under-7'), number: true, cell: ({ upToWeek }) => upToWeek },
          { title: say('reports.under-14'), number: true, cell: (row) => row.upToFortnight },
          { title: say('reports.under-30'), number: true, cell: ({ upToMonth }) => upToMonth },
          { title: say('reports.over-30'), number: true, cell: ({ longer }) => longer },
          { title: say('reports.half-out'), number: true, cell: (row) => spentWords(row.median) },
          { title: say('reports.longest'), number: true, cell: (row) => spentWords(row.longest) },
        ]}
      />
      <p className="pt-3">
        <Link to="/agreements?state=OUT&sort=since" className="underline underline-offset-3">
          {say('reports.out-longest-first')}
        </Link>
      </p>
    </>
  );
}
