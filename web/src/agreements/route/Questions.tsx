import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';
import { since } from '../../ui/time';

type Detail = Schemas['AgreementDetail'];

/** What people on the route have asked, and the office's answers. */
export function Questions({
  detail,
  fixed,
  onTaken,
}: {
  detail: Detail;
  fixed: boolean;
  onTaken: (detail: Detail) => void;
}) {
  if (!detail.questions.length) return null;
  return (
    <section aria-label={say('agreements.questions')}>
      <h2 className="pb-1 text-lg">{say('agreements.questions')}</h2>
      <ul className="flex flex-col gap-3">
        {detail.questions.map((one) => (
          <li
            key={one.number}
            className={`pl-3 border-l-4 ${one.answer ? 'border-rule' : 'border-clay'}`}
          >
            <span className="text-soft">
              {say('agreements.asked-by', { name: one.name, since: since(one.at) })}
            </span>
            <p className="wrap-anywhere whitespace-pre-line">{one.question}</p>
            {one.answer && (
              <p className="wrap-anywhere whitespace-pre-line font-medium">{one.answer}</p>
            )}
            {!one.answer && !fixed && detail.row.state === 'OUT' && (
              <AnswerIt number={detail.row.number} question={one} onTaken={onTaken} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function AnswerIt({
  number,
  question,
  onTaken,
}: {
  number: string;
  question: Schemas['QuestionView'];
  onTaken: (detail: Detail) => void;
}) {
  const [text, setText] = useState<string>();
  const send = useMutation({
    mutationFn: (words: string) =>
      answer(
        api.POST('/api/v1/agreements/{number}/questions/{question}/answer', {
          params: { path: { number, question: question.number } },
          body: { answer: words },
        }),
      ),
    onSuccess: onTaken,
  });
  if (text === undefined)
    return <Button onClick={() => setText('')}>{say('agreements.answer')}</Button>;
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        send.mutate(text);
      }}
    >
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('agreements.your-answer', { name: question.name })}</span>
        <textarea
          rows={3}
          maxLength={2000}
          autoFocus
          className={inputLook}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <Trouble error={send.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={send.isPending || !text.trim()}>
          {say('agreements.send-answer')}
        </Button>
        <Button onClick={() => setText(undefined)}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}
