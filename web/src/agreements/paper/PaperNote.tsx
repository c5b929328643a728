import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { date } from '../../ui/time';
import { listed } from '../../ui/words';
import { usePaper } from './usePaper';

/** That an agreement is on paper, or was signed there. */
export function PaperNote({
  detail,
  fixed,
}: {
  detail: Schemas['AgreementDetail'];
  fixed: boolean;
}) {
  const { number, onPaper } = detail.row;
  const paper = usePaper(number, onPaper || detail.signedOnPaper);
  if (!paper.data) return null;
  const { closed, signers, printedOn, sheets } = paper.data;
  const names = listed(signers.map(({ name }) => name));
  const back = sheets.filter(({ came }) => came).length;
  return (
    <div className="mb-4 flex flex-wrap items-center gap-4 border-l-4 border-clay bg-sheet px-3 py-2">
      <p className="mr-auto">
        {closed
          ? say('paper.was-signed', {
              names,
              day: date(closed.receivedOn),
              from: closed.broughtBy,
            })
          : say('paper.is-out', { names, day: date(printedOn), back, of: sheets.length })}
      </p>
      {!fixed && onPaper && (
        <Link to={`/agreements/${number}/paper`}>{say('paper.print-and-bring')}</Link>
      )}
    </div>
  );
}
