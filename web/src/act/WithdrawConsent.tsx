import { useState } from 'react';
import { useSay } from '../messages/useSay';
import { DialogShell } from '../ui/DialogShell';
import { Button, Trouble } from '../ui/parts';
import type { useAct } from './useAct';

/** Not agreeing any more to sign electronically; nothing that was typed is lost. */
export function WithdrawConsent({ act }: { act: ReturnType<typeof useAct> }) {
  const words = useSay();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button className="min-h-11 self-start" onClick={() => setOpen(true)}>
        {words.say('consent.withdraw')}
      </Button>
      <DialogShell
        open={open}
        title={words.say('consent.withdraw-title')}
        onClose={() => setOpen(false)}
      >
        <p className="pb-3">{words.say('consent.withdraw-says')}</p>
        <Trouble error={act.errorOf('consent')} />
        <div className="flex flex-wrap gap-3">
          <Button
            look="grave"
            className="min-h-11"
            disabled={act.busy}
            onClick={() => void act.withdrawConsent().then((done) => done && setOpen(false))}
          >
            {words.say('consent.withdraw-do')}
          </Button>
          <Button className="min-h-11" onClick={() => setOpen(false)}>
            {words.say('decline.back')}
          </Button>
        </div>
      </DialogShell>
    </>
  );
}
