import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { useAgreement } from '../../office/queries';
import { DialogShell } from '../../ui/DialogShell';
import { DropFiles } from '../../ui/DropFiles';
import { Button, RoomTitle, Trouble } from '../../ui/parts';
import { Unshown } from '../../ui/Unshown';
import { date } from '../../ui/time';
import { listed } from '../../ui/words';
import { ScanStates } from '../scans/ScanStates';
import { ClosePaper } from './ClosePaper';
import { SheetList } from './SheetList';
import { SheetLook } from './SheetLook';
import { inDoubt, scanFiles, useBringScans, usePaper } from './usePaper';

/** An agreement on paper: printed, brought back as a scan, looked through beside the print, and filed. */
export default function PaperRoom() {
  const { number = '' } = useParams();
  const agreement = useAgreement(number);
  const paper = usePaper(number);
  const bring = useBringScans(number);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [leaving, setLeaving] = useState(false);
  const [chosen, setChosen] = useState<number>();
  const back = useMutation({
    mutationFn: () =>
      answer(api.DELETE('/api/v1/agreements/{number}/paper', { params: { path: { number } } })),
    onSuccess: async (detail) => {
      queries.setQueryData(['agreement', number], detail);
      queries.removeQueries({ queryKey: ['paper', number] });
      await navigate(`/agreements/${number}`);
    },
  });
  if (!paper.data || !agreement.data)
    return <Unshown query={paper.data ? agreement : paper} waiting={say('paper.looking-up')} />;
  const { signers, scans, closed, printedOn } = paper.data;
  // scans of what is filed may have been thrown away since
  const sheets = closed ? paper.data.sheets.filter(({ came }) => came) : paper.data.sheets;
  const first = sheets.findIndex((one) => inDoubt(one).length > 0);
  const at = chosen ?? Math.max(0, first);
  const sheet = sheets[at];
  return (
    <>
      <RoomTitle title={say('paper.on-paper', { title: agreement.data.row.title })}>
        <Link to={`/agreements/${number}`}>{number}</Link>
        {!closed && (
          <>
            <Button onClick={() => setLeaving(true)}>{say('paper.back-to-the-screen')}</Button>
            <a
              href={`/api/v1/agreements/${number}/paper/print.pdf`}
              target="_blank"
              rel="noreferrer"
              className="inline-flex min-h-8 items-center rounded-sm border border-act bg-act px-3 py-1 font-medium text-onbottle no-underline hover:brightness-125"
            >
              {say('paper.open-the-print')}
            </a>
          </>
        )}
      </RoomTitle>
      <p className="pb-3 text-soft">
        {say('paper.signs-by-hand', {
          names: listed(signers.map(({ name, label }) => `${name} (${label})`)),
          day: date(printedOn),
        })}
      </p>
      <Trouble error={bring.error} />
      <DialogShell
        open={leaving}
        title={say('paper.back-to-the-screen')}
        onClose={() => setLeaving(false)}
      >
        <p className="pb-4">{say('paper.back-means')}</p>
        <Trouble error={back.error} />
        <span className="flex gap-2">
          <Button look="main" disabled={back.isPending} onClick={() => back.mutate()}>
            {say('paper.back-and-mail')}
          </Button>
          <Button onClick={() => setLeaving(false)}>{say('paper.stay-on-paper')}</Button>
        </span>
      </DialogShell>
      {!closed && (
        <DropFiles
          says={say('paper.drop-here')}
          what={say('paper.scan-of', { number })}
          accept={scanFiles}
          disabled={bring.isPending}
          several
          onFiles={(files) => bring.mutate(files)}
        >
          {bring.isPending ? say('scans.bringing') : say('scans.choose')}
        </DropFiles>
      )}
      <ScanStates scans={scans} />
      <div className="grid grid-cols-[16rem_minmax(0,1fr)] gap-6">
        <div className="flex flex-col gap-6">
          {sheets.length > 0 && <SheetList sheets={sheets} at={at} onChoose={setChosen} />}
          <ClosePaper number={number} paper={paper.data} />
        </div>
        {sheet && <SheetLook key={at} number={number} sheet={sheet} />}
      </div>
    </>
  );
}
