import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';
import { usePaper } from '../paper/usePaper';

/** Says by hand which printed page a page of a scan is, or that it is none. */
export function WhichPage({
  scan,
  number,
  known,
}: {
  scan: string;
  number: number;
  /** The agreement that it is taken for; empty for none. */
  known: string;
}) {
  const [open, setOpen] = useState(false);
  const [agreement, setAgreement] = useState(known);
  const [asked, setAsked] = useState(known);
  const [sheet, setSheet] = useState('');
  const queries = useQueryClient();
  const id = useId();
  const paper = usePaper(asked, open && asked !== '');
  const assign = useMutation({
    mutationFn: (which: { number: string | null; document: string | null; page: number | null }) =>
      answer(
        api.PUT('/api/v1/scans/{id}/pages/{page}', {
          params: { path: { id: scan, page: number } },
          body: which,
        }),
      ),
    onSuccess: (after) => {
      queries.setQueryData(['scans', 'one', scan], after);
      void queries.invalidateQueries({ queryKey: ['paper'] });
      setOpen(false);
    },
  });
  if (!open)
    return (
      <Button className="mt-2" onClick={() => setOpen(true)}>
        {say(known ? 'scans.it-is-another' : 'scans.say-which')}
      </Button>
    );
  const sheets = paper.data?.sheets ?? [];
  const chosen = sheets[Number(sheet)];
  return (
    <form
      className="flex flex-col gap-2 pt-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (chosen) assign.mutate({ number: asked, document: chosen.document, page: chosen.page });
      }}
    >
      <label htmlFor={`${id}-number`}>{say('scans.agreement-number')}</label>
      <input
        id={`${id}-number`}
        className={inputLook}
        value={agreement}
        onChange={(event) => setAgreement(event.target.value)}
        onBlur={() => setAsked(agreement.trim())}
      />
      {sheets.length > 0 && (
        <>
          <label htmlFor={`${id}-sheet`}>{say('scans.its-page')}</label>
          <select
            id={`${id}-sheet`}
            className={inputLook}
            value={sheet}
            onChange={(event) => setSheet(event.target.value)}
          >
            <option value="">{say('scans.choose-its-page')}</option>
            {sheets.map((one, i) => (
              <option key={`${one.document}-${one.page}`} value={i}>
                {say('paper.page-of', { title: one.title, page: one.page })}
              </option>
            ))}
          </select>
        </>
      )}
      <Trouble error={paper.error ?? assign.error} />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main" disabled={sheet === '' || !chosen || assign.isPending}>
          {say('scans.take-it')}
        </Button>
        {known && (
          <Button
            disabled={assign.isPending}
            onClick={() => assign.mutate({ number: null, document: null, page: null })}
          >
            {say('scans.it-is-none')}
          </Button>
        )}
        <Button onClick={() => setOpen(false)}>{say('scans.leave-it')}</Button>
      </div>
    </form>
  );
}
