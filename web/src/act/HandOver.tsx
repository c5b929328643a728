import { useState } from 'react';
import { useSay } from '../messages/useSay';
import { DialogShell } from '../ui/DialogShell';
import { Button, inputLook, Trouble } from '../ui/parts';
import type { SigningPage, useAct } from './useAct';

/** Giving one's part to somebody else, who gets a link of their own. */
export function HandOver({ page, act }: { page: SigningPage; act: ReturnType<typeof useAct> }) {
  const words = useSay();
  const [open, setOpen] = useState(false);
  const [over, setOver] = useState({ name: '', mail: '', phone: '', reason: '' });
  const inputs = [
    { part: 'name', label: words.say('hand-over.name'), type: 'text', needed: true },
    { part: 'mail', label: words.say('hand-over.mail'), type: 'email', needed: true },
    ...(page.identity.check === 'TEXTED_CODE'
      ? [{ part: 'phone', label: words.say('hand-over.phone'), type: 'tel', needed: true } as const]
      : []),
    { part: 'reason', label: words.say('hand-over.reason'), type: 'text', needed: false },
  ] as const;
  const missing = inputs.some(({ part, needed }) => needed && !over[part].trim());
  return (
    <>
      <Button className="min-h-11 self-start" onClick={() => setOpen(true)}>
        {words.say('hand-over.open')}
      </Button>
      <DialogShell
        open={open}
        title={words.say('hand-over.title', { title: page.title })}
        onClose={() => setOpen(false)}
      >
        <form
          className="flex flex-col gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void act.handOver(over);
          }}
        >
          <p>{words.say('hand-over.says')}</p>
          {inputs.map(({ part, label, type }) => (
            <label key={part} className="flex flex-col gap-1">
              {label}
              <input
                type={type}
                className={`${inputLook} min-h-11`}
                maxLength={part === 'reason' ? 2000 : 200}
                value={over[part]}
                onChange={(event) => setOver({ ...over, [part]: event.target.value })}
              />
            </label>
          ))}
          <Trouble error={act.errorOf('hand-over')} />
          <div className="flex flex-wrap gap-3 pt-2">
            <Button type="submit" look="main" className="min-h-11" disabled={act.busy || missing}>
              {words.say('hand-over.do')}
            </Button>
            <Button className="min-h-11" onClick={() => setOpen(false)}>
              {words.say('decline.back')}
            </Button>
          </div>
        </form>
      </DialogShell>
    </>
  );
}
