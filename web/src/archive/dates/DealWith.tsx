import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, inputLook, Labelled, Trouble } from '../../ui/parts';
import { date } from '../../ui/time';
import { actWords, leftWords, overWords } from './dateWords';
import { useAgreementDates, useDatesAnew, type WatchedDate } from './queries';
import { renewalOf } from './renewalOf';

/** What is done about a date: dealt with, put on another day, renewed; or opened again. */
export function DealWith({ date: one, onClose }: { date: WatchedDate; onClose: () => void }) {
  const [note, setNote] = useState('');
  const [day, setDay] = useState(one.day);
  const [again, setAgain] = useState(one.every > 0);
  const [moving, setMoving] = useState(false);
  const agreement = useAgreementDates(one.number);
  const anew = useDatesAnew();
  const path = { params: { path: { id: one.id } } };
  const act = useMutation({
    mutationFn: (what: 'settle' | 'reopen' | 'move') =>
      what === 'settle'
        ? answer(
            api.POST('/api/v1/archive/dates/{id}/settlement', { ...path, body: { note, again } }),
          )
        : what === 'reopen'
          ? answer(api.POST('/api/v1/archive/dates/{id}/reopening', { ...path, body: { note } }))
          : answer(
              api.PUT('/api/v1/archive/dates/{id}/day', {
                ...path,
                body: { was: one.day, day, note },
              }),
            ),
    onSuccess: async () => {
      await anew();
      onClose();
    },
  });
  const open = one.state === 'OPEN';
  return (
    <DialogShell open title={one.what} onClose={onClose}>
      <p>
        {date(one.day)}
        {', '}
        {open ? leftWords(one.left) : overWords(one)}
        {one.moved && ` (${say('dates.moved')})`}
      </p>
      <p className="pb-3 text-soft">
        <Link to={`/archive/${one.number}`}>{one.title}</Link> {one.number}
      </p>
      {one.acts.length > 0 && (
        <ul aria-label={say('dates.what-was-done')} className="flex flex-col gap-1 pb-3">
          {one.acts.map((done) => (
            <li key={done.at} className="wrap-anywhere">
              <span className="text-soft">{actWords(done)}</span>
              {done.note && <q className="block whitespace-pre-line">{done.note}</q>}
            </li>
          ))}
        </ul>
      )}
      {open && moving && (
        <Labelled id="other-day" label={say('dates.other-day')}>
          <input
            id="other-day"
            type="date"
            className={`${inputLook} w-44`}
            value={day}
            onChange={(event) => setDay(event.target.value)}
          />
        </Labelled>
      )}
      <Labelled
        id="date-note"
        label={say(moving ? 'dates.why-other' : open ? 'dates.note' : 'dates.why-open')}
      >
        <textarea
          id="date-note"
          rows={2}
          className={inputLook}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </Labelled>
      {open && !moving && one.every > 0 && (
        <label className="flex items-center gap-2 pt-2">
          <input
            type="checkbox"
            className="size-5"
            checked={again}
            onChange={(event) => setAgain(event.target.checked)}
          />
          {say('dates.comes-again', { months: one.every })}
        </label>
      )}
      <Trouble error={act.error} />
      <div className="flex flex-wrap items-center gap-3 pt-4">
        {open && !moving && (
          <>
            <Button look="main" disabled={act.isPending} onClick={() => act.mutate('settle')}>
              {say('dates.settle')}
            </Button>
            <Button onClick={() => setMoving(true)}>{say('dates.move')}</Button>
            {agreement.data && (
              <Link to={renewalOf(one.number, agreement.data)}>{say('dates.renew')}</Link>
            )}
          </>
        )}
        {open && moving && (
          <Button
            look="main"
            disabled={act.isPending || !day || !note.trim()}
            onClick={() => act.mutate('move')}
          >
            {say('dates.keep-day')}
          </Button>
        )}
        {!open && (
          <Button disabled={act.isPending} onClick={() => act.mutate('reopen')}>
            {say('dates.reopen')}
          </Button>
        )}
        <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
      </div>
    </DialogShell>
  );
}
