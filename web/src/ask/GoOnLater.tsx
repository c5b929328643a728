import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import type { Answers } from '../intake/inputProps';
import { useSay } from '../messages/useSay';
import { DialogShell } from '../ui/DialogShell';
import { Button, inputLook, Labelled, Trouble } from '../ui/parts';

/** Leaves a form to go on with it by a mailed link. */
export function GoOnLater({
  token,
  access,
  pageKey,
  answers,
  asker,
  language,
}: {
  token: string;
  access: string;
  pageKey: string;
  answers: Answers;
  asker: Schemas['Asker'];
  language: string;
}) {
  const words = useSay();
  const [open, setOpen] = useState(false);
  const [mail, setMail] = useState('');
  const leave = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/ask/{token}/leaving', {
          params: { path: { token } },
          body: {
            access,
            answers: { key: pageKey, ...answers, asker: { name: asker.name, mail }, language },
          },
        }),
      ),
  });
  return (
    <>
      <Button
        className="min-h-11"
        onClick={() => {
          setMail(asker.mail);
          leave.reset();
          setOpen(true);
        }}
      >
        {words.say('ask.later')}
      </Button>
      <DialogShell open={open} title={words.say('ask.later')} onClose={() => setOpen(false)}>
        {leave.isSuccess ? (
          <p role="status">{words.say('ask.later-sent', { mail })}</p>
        ) : (
          <div className="flex flex-col items-start gap-4">
            <p>{words.say('ask.later-how')}</p>
            <Labelled id="later-mail" label={words.say('ask.your-mail')}>
              <input
                id="later-mail"
                type="email"
                className={inputLook}
                value={mail}
                onChange={(event) => setMail(event.target.value)}
              />
            </Labelled>
            <Trouble error={leave.error} />
            <Button
              look="main"
              className="min-h-11"
              disabled={!mail.trim() || leave.isPending}
              onClick={() => leave.mutate()}
            >
              {words.say('ask.later-send')}
            </Button>
          </div>
        )}
        <Button className="mt-4 min-h-11" onClick={() => setOpen(false)}>
          {words.say('form.live-back')}
        </Button>
      </DialogShell>
    </>
  );
}
