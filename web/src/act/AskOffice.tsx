import { useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button, inputLook, Trouble } from '../ui/parts';
import type { SigningPage, useAct } from './useAct';

/** Questions to the office, with its answers. */
export function AskOffice({ page, act }: { page: SigningPage; act: ReturnType<typeof useAct> }) {
  const words = useSay();
  const [question, setQuestion] = useState<string>();
  return (
    <section aria-label={words.say('ask.title')} className="flex flex-col gap-2">
      {page.questions.length > 0 && (
        <dl className="flex flex-col gap-2">
          {page.questions.map((one, i) => (
            <div key={i} className="border-l-4 border-rule pl-3">
              <dt className="wrap-anywhere">{one.question}</dt>
              <dd className={`wrap-anywhere ${one.answer ? 'font-medium' : 'text-soft'}`}>
                {one.answer || words.say('ask.waits', { office: page.office })}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {question === undefined ? (
        <Button className="min-h-11 self-start" onClick={() => setQuestion('')}>
          {words.say('ask.open')}
        </Button>
      ) : (
        <form
          className="flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void act.ask(question).then((asked) => asked && setQuestion(undefined));
          }}
        >
          <label className="flex flex-col gap-1">
            {words.say('ask.question', { office: page.office })}
            <textarea
              rows={3}
              maxLength={2000}
              autoFocus
              className={inputLook}
              value={question}
              onChange={(event) => setQuestion(event.target.value)}
            />
          </label>
          <Trouble error={act.errorOf('question')} />
          <span className="flex flex-wrap gap-3">
            <Button type="submit" className="min-h-11" disabled={act.busy || !question.trim()}>
              {words.say('ask.send')}
            </Button>
            <Button className="min-h-11" onClick={() => setQuestion(undefined)}>
              {words.say('decline.back')}
            </Button>
          </span>
        </form>
      )}
    </section>
  );
}
