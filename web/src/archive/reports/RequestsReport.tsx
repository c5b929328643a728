import { say } from '../../messages/rooms';
import { Empty } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { Figures, type Figure } from './Figures';
import { Picture } from './Picture';
import { shortMonth } from './reportWords';
import { useRequests, type AskedReport, type ReportAsked } from './queries';

type Row = AskedReport['rows'][number];

/** How many requests came by which form in which month, and what became of them. */
export function RequestsReport({ asked }: { asked: ReportAsked }) {
  const requests = useRequests(asked);
  if (!requests.data) return <Unshown query={requests} waiting={say('reports.adding-up')} />;
  const { months, rows } = requests.data;
  if (rows.length === 0) return <Empty>{say('reports.none-asked')}</Empty>;
  const monthly: Figure<Row>[] = months.map((month, i) => ({
    title: shortMonth(month),
    number: true,
    cell: (row) => row.months[i] || '',
  }));
  return (
    <>
      <Picture report="REQUESTS" asked={asked} />
      <Figures
        label={say('reports.requests')}
        rows={rows}
        keyOf={(row) => `${row.templateId} ${row.form} ${rows.indexOf(row)}`}
        columns={[
          {
            title: say('reports.form'),
            cell: ({ template, form }) => (
              <>
                {template}
                {form && <span className="text-soft"> {form}</span>}
              </>
            ),
          },
          { title: say('reports.total'), number: true, cell: ({ total }) => total },
          { title: say('reports.waiting'), number: true, cell: ({ waiting }) => waiting || '' },
          { title: say('reports.going'), number: true, cell: ({ going }) => going || '' },
          { title: say('reports.done'), number: true, cell: ({ done }) => done || '' },
          { title: say('reports.in-vain'), number: true, cell: ({ inVain }) => inVain || '' },
          ...monthly,
        ]}
      />
    </>
  );
}
