import { useState } from 'react';
import type { Problem } from '../api/client';
import { useSay } from '../messages/useSay';
import { DialogShell } from '../ui/DialogShell';
import { Button, inputLook, Trouble } from '../ui/parts';

/** Declining, with a reason that the office and the others will read. */
export function Decline({
  title,
  onDecline,
  busy,
  error,
}: {
  title: string;
  onDecline: (reason: string) => Promise<boolean>;
  busy: boolean;
  error: Problem | undefined;
}) {
  const words = useSay();
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  return (
    <>
      <Button look="grave" className="min-h-11 self-start" onClick={() => setOpen(true)}>
        {words.say('decline.open')}
      </Button>
      <DialogShell
        open={open}
        title={words.say('decline.title', { title })}
        onClose={() => setOpen(false)}
      >
        <p className="pb-3">{words.say('decline.says')}</p>
        <label className="flex flex-col gap-1 pb-3">
          {words.say('decline.reason')}
          <textarea
            rows={3}
            maxLength={2000}
            className={inputLook}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </label>
        <Trouble error={error} />
        <div className="flex flex-wrap gap-3 pt-3">
          <Button
            look="grave"
            className="min-h-11"
            disabled={busy || !reason.trim()}
            onClick={() => void onDecline(reason)}
          >
            {words.say('decline.do')}
          </Button>
          <Button className="min-h-11" onClick={() => setOpen(false)}>
            {words.say('decline.back')}
          </Button>
        </div>
      </DialogShell>
    </>
  );
}
