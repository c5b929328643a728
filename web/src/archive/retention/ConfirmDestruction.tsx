import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, Trouble } from '../../ui/parts';
import { useRetentionAnew } from './queries';

/** Which agreements are meant: some by their numbers, or all that are due. */
export type Meant = { numbers: string[] } | { template: string; count: number };

export const countOf = (meant: Meant) => ('numbers' in meant ? meant.numbers.length : meant.count);

/** Confirms that agreements are destroyed, once it is said what goes and what stays. */
export function ConfirmDestruction({
  meant,
  onClose,
  onDone,
}: {
  meant: Meant;
  onClose: () => void;
  onDone: () => void;
}) {
  const [copies, setCopies] = useState(true);
  const anew = useRetentionAnew();
  const count = countOf(meant);
  const confirm = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/archive/retention/destructions', {
          body:
            'numbers' in meant
              ? { numbers: meant.numbers, template: null, count: null, copies }
              : { numbers: [], template: meant.template || null, count: meant.count, copies },
        }),
      ),
    onSuccess: async () => {
      await anew();
      onDone();
    },
    // somebody else may have decided about one of them
    onError: anew,
  });
  return (
    <DialogShell open title={say('retention.destroy-these', { count })} onClose={onClose}>
      <div className="flex flex-col gap-3">
        {'numbers' in meant && meant.numbers.length <= 12 && (
          <p className="text-soft">{meant.numbers.join(', ')}</p>
        )}
        <p>{say('retention.what-goes')}</p>
        <p>{say('retention.what-stays')}</p>
        <label className="flex items-start gap-2">
          <input
            type="checkbox"
            className="mt-0.5 size-5 shrink-0"
            checked={copies}
            onChange={(event) => setCopies(event.target.checked)}
          />
          {say('retention.copies-too')}
        </label>
        <p className="border-l-4 border-clay bg-paper px-3 py-2">
          {say('retention.a-day-to-think')}
        </p>
        <Trouble error={confirm.error} />
        <div className="flex flex-wrap gap-3 pt-1">
          <Button look="grave" disabled={confirm.isPending} onClick={() => confirm.mutate()}>
            {say('retention.destroy', { count })}
          </Button>
          <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
        </div>
      </div>
    </DialogShell>
  );
}
