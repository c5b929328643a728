import { useState } from 'react';
import { useSay } from '../../messages/useSay';
import { DialogShell } from '../../ui/DialogShell';
import { Button, Trouble, Waiting } from '../../ui/parts';
import type { AnswerAt } from './answerAt';
import { ChooseDocument } from './ChooseDocument';
import type { LiveText as Text, SoFar } from './source';
import { useLive } from './useLive';

/** Where there is no room for pages: the wording as text with the answers in it, over the form when it is asked for. */
export function LiveText({
  look,
  soFar,
  leads,
  onGo,
  onDocument,
}: {
  /** Asks for the text with some answers in it. */
  look: (soFar: SoFar) => Promise<Text>;
  soFar: SoFar;
  /** Whether words that were printed lead to an answer of the form. */
  leads: (at: AnswerAt) => boolean;
  onGo: (at: AnswerAt) => void;
  onDocument: (id: string) => void;
}) {
  const words = useSay();
  const [open, setOpen] = useState(false);
  const { made, error } = useLive<Text>(
    (wanted) => look(JSON.parse(wanted) as SoFar),
    open ? JSON.stringify(soFar) : undefined,
  );
  return (
    <div className="sticky bottom-0 z-20 border-t border-rule bg-paper py-2">
      <Button className="min-h-11" onClick={() => setOpen(true)}>
        {words.say('form.live-read')}
      </Button>
      <DialogShell
        open={open}
        title={words.say('form.live-pages')}
        width="wide"
        onClose={() => setOpen(false)}
      >
        <div className="flex flex-col gap-3">
          {made && (
            <ChooseDocument documents={made.documents} shown={made.document} onShow={onDocument} />
          )}
          <Trouble error={error} />
          {!made && !error && <Waiting what={words.say('form.live-making')} />}
          {made?.paragraphs.map(({ runs }, i) => (
            <p key={i} className="whitespace-pre-line wrap-anywhere">
              {runs.map((run, at) =>
                run.name && leads(run) ? (
                  <button
                    key={at}
                    type="button"
                    className="min-h-6 bg-[#48617a]/10 text-left underline decoration-[#48617a] underline-offset-3"
                    onClick={() => {
                      setOpen(false);
                      onGo(run);
                    }}
                  >
                    {run.words}
                  </button>
                ) : (
                  <span key={at}>{run.words}</span>
                ),
              )}
            </p>
          ))}
          <Button className="self-start" onClick={() => setOpen(false)}>
            {words.say('form.live-back')}
          </Button>
        </div>
      </DialogShell>
    </div>
  );
}
