import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { lastMoment } from '../../ui/lastMoment';
import { Button, inputLook, Trouble } from '../../ui/parts';

type Detail = Schemas['AgreementDetail'];

/** More time for an agreement that is out, or less. */
export function EndOfTime({
  number,
  expiresAt,
  onTaken,
}: {
  number: string;
  expiresAt: string | null;
  onTaken: (detail: Detail) => void;
}) {
  const [day, setDay] = useState<string>();
  const change = useMutation({
    mutationFn: (lastDay: string) =>
      answer(
        api.PUT('/api/v1/agreements/{number}/end', {
          params: { path: { number } },
          body: { lastDay },
        }),
      ),
    onSuccess: (detail) => {
      setDay(undefined);
      onTaken(detail);
    },
  });
  if (day === undefined) {
    return (
      <button
        type="button"
        className="block min-h-7 text-slate underline underline-offset-3"
        onClick={() => setDay(lastDayOf(expiresAt))}
      >
        {say('agreements.change-the-time')}
      </button>
    );
  }
  return (
    <form
      className="flex flex-col gap-1 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate(day);
      }}
    >
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('agreements.last-day')}</span>
        <input
          type="date"
          className={inputLook}
          autoFocus
          value={day}
          onChange={(event) => setDay(event.target.value)}
        />
      </label>
      <p className="text-soft">{say('agreements.time-hint')}</p>
      <Trouble error={change.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={change.isPending || !day}>
          {say('agreements.keep')}
        </Button>
        <Button onClick={() => setDay(undefined)}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}

/** As a date input takes it: the day that ends at a moment, as it is told beside. */
function lastDayOf(expiresAt: string | null): string {
  if (!expiresAt) return '';
  const last = new Date(lastMoment(expiresAt));
  const two = (part: number) => String(part).padStart(2, '0');
  return `${last.getFullYear()}-${two(last.getMonth() + 1)}-${two(last.getDate())}`;
}
