import type { Report, ReportAsked } from './queries';
import { say } from '../../messages/rooms';
import { reportWords } from './reportWords';

/** Where a report's files are. */
export function fileOf(report: Report, asked: ReportAsked, format?: 'CSV' | 'XLSX'): string {
  const query = new URLSearchParams({ ...asked, ...(format && { format }) }).toString();
  return `/api/v1/archive/reports/${report}/${format ? 'table' : 'picture'}${query && `?${query}`}`;
}

/** A report as it is drawn; the table beneath has the same figures. */
export function Picture({ report, asked }: { report: Report; asked: ReportAsked }) {
  return (
    <img
      src={fileOf(report, asked)}
      alt={say('reports.drawn', { report: reportWords[report] })}
      className="mt-1 mb-4 w-full max-w-4xl rounded-sm border border-rule bg-sheet"
    />
  );
}
