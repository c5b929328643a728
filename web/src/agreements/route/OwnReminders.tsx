import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';

type Detail = Schemas['AgreementDetail'];

/** How this agreement reminds and warns, instead of as its template says. */
export function OwnReminders({
  number,
  chasing,
  onTaken,
}: {
  number: string;
  chasing: Schemas['ChasingView'];
  onTaken: (detail: Detail) => void;
}) {
  const [open, setOpen] = useState(false);
  const [gaps, setGaps] = useState('');
  const [then, setThen] = useState('');
  const [warn, setWarn] = useState('');
  const change = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/v1/agreements/{number}/reminders', {
          params: { path: { number } },
          body: { gaps: daysOf(gaps), thenEvery: Number(then || 0), warnDays: Number(warn || 0) },
        }),
      ),
    onSuccess: (detail) => {
      setOpen(false);
      onTaken(detail);
    },
  });
  if (!open) {
    return (
      <button
        type="button"
        className="block min-h-7 text-slate underline underline-offset-3"
        onClick={() => {
          setGaps(chasing.gaps.join(', '));
          setThen(String(chasing.thenEvery));
          setWarn(String(chasing.warnDays));
          setOpen(true);
        }}
      >
        {say('agreements.change-the-reminders')}
      </button>
    );
  }
  const inputs = [
    { label: 'agreements.remind-after', value: gaps, set: setGaps },
    { label: 'agreements.remind-then-every', value: then, set: setThen },
    { label: 'agreements.warn-before', value: warn, set: setWarn },
  ] as const;
  return (
    <form
      className="flex flex-col gap-1 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate();
      }}
    >
      {inputs.map(({ label, value, set }, i) => (
        <label key={label} className="flex flex-col gap-0.5">
          <span className="text-soft">{say(label)}</span>
          <input
            className={inputLook}
            {...(i && { type: 'number', min: 0, max: 365 })}
            autoFocus={i === 0}
            value={value}
            onChange={(event) => set(event.target.value)}
          />
        </label>
      ))}
      <Trouble error={change.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={change.isPending}>
          {say('agreements.keep')}
        </Button>
        <Button onClick={() => setOpen(false)}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}

/** Days parted by commas or spaces; what is no number is refused by the server with its reason. */
function daysOf(text: string): number[] {
  return text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
}
