import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, inputLook, Labelled, Trouble } from '../../ui/parts';
import { useRetentionAnew, type LegalHold } from './queries';

/** Keeps agreements until somebody lifts it, with the reason. */
export function HoldDialog({
  numbers,
  onClose,
  onDone,
}: {
  numbers: string[];
  onClose: () => void;
  onDone: () => void;
}) {
  return (
    <Reasoned
      title={say('retention.hold-these', { count: numbers.length })}
      hint={say('retention.hold-hint')}
      label={say('retention.why')}
      act={say('retention.hold')}
      required
      run={(reason) =>
        answer(api.POST('/api/v1/archive/retention/holds', { body: { numbers, reason } }))
      }
      onClose={onClose}
      onDone={onDone}
    />
  );
}

/** Lifts a hold. */
export function LiftDialog({ hold, onClose }: { hold: LegalHold; onClose: () => void }) {
  return (
    <Reasoned
      title={say('retention.lift-of', { number: hold.number })}
      hint={hold.reason}
      label={say('retention.why-over')}
      act={say('retention.lift')}
      required={false}
      run={(because) =>
        answer(
          api.POST('/api/v1/archive/retention/holds/{id}/lifting', {
            params: { path: { id: hold.id } },
            body: { because },
          }),
        )
      }
      onClose={onClose}
      onDone={onClose}
    />
  );
}

function Reasoned({
  title,
  hint,
  label,
  act,
  required,
  run,
  onClose,
  onDone,
}: {
  title: string;
  hint: string;
  label: string;
  act: string;
  required: boolean;
  run: (reason: string) => Promise<unknown>;
  onClose: () => void;
  onDone: () => void;
}) {
  const [reason, setReason] = useState('');
  const anew = useRetentionAnew();
  const done = useMutation({
    mutationFn: () => run(reason),
    onSuccess: async () => {
      await anew();
      onDone();
    },
  });
  return (
    <DialogShell open title={title} onClose={onClose}>
      <p className="pb-3 wrap-anywhere whitespace-pre-line text-soft">{hint}</p>
      <Labelled id="hold-reason" label={label} required={required}>
        <textarea
          id="hold-reason"
          rows={3}
          className={inputLook}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </Labelled>
      <Trouble error={done.error} />
      <div className="flex flex-wrap gap-3 pt-4">
        <Button
          look="main"
          disabled={done.isPending || (required && !reason.trim())}
          onClick={() => done.mutate()}
        >
          {act}
        </Button>
        <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
      </div>
    </DialogShell>
  );
}
