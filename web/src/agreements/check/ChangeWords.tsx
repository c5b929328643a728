import { useMutation } from '@tanstack/react-query';
import { useEffect, useState, type RefObject } from 'react';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Words } from '../../page/words';
import { Button, inputLook, Trouble } from '../../ui/parts';

/** Other words for those that are chosen on a page, or words at a place, in this agreement alone. */
export function ChangeWords({
  path,
  words,
  input,
  wanted,
  onDone,
  onLeave,
}: {
  path: { number: string; document: string };
  words: Words;
  /** Where the words are typed; the keys that ask for the act lead there. */
  input: RefObject<HTMLTextAreaElement | null>;
  /** Whether it was asked for before it was there. */
  wanted: RefObject<boolean>;
  /** Told when the document is being made again. */
  onDone: () => void;
  onLeave: () => void;
}) {
  const caret = words.text === '';
  // a page's lines end where its width does
  const [typed, setTyped] = useState(words.text.replace(/\s+/g, ' ').trim());
  const [paragraph, setParagraph] = useState(false);
  useEffect(() => {
    if (wanted.current) input.current?.focus();
    wanted.current = false;
  }, [wanted, input]);
  const change = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/agreements/{number}/documents/{document}/wording', {
          params: { path },
          body: { ...words, words: typed, paragraph: caret && paragraph },
        }),
      ),
    onSuccess: onDone,
  });
  const nothing = typed.trim() === '';
  return (
    <form
      aria-label={say('agreements.words-of-this-agreement')}
      className="flex flex-col gap-2 border border-edge bg-sheet p-2 text-ink shadow-page"
      onPointerDown={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onLeave();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate();
      }}
    >
      <textarea
        ref={input}
        aria-label={say(caret ? 'agreements.words-to-put-in' : 'agreements.other-words')}
        className={inputLook}
        rows={Math.min(8, 2 + Math.floor(typed.length / 60))}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || !event.ctrlKey) return;
          event.preventDefault();
          event.stopPropagation();
          if (!change.isPending) change.mutate();
        }}
      />
      {caret && (
        <label className="flex min-h-6 items-center gap-2">
          <input
            type="checkbox"
            checked={paragraph}
            onChange={(event) => setParagraph(event.target.checked)}
          />
          {say('agreements.paragraph-of-their-own')}
        </label>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button type="submit" disabled={change.isPending || (caret && nothing)}>
          {say(
            caret
              ? 'agreements.put-the-words-in'
              : nothing
                ? 'agreements.strike-the-words-out'
                : 'agreements.change-the-words',
          )}
        </Button>
        <Button onClick={onLeave}>{say('agreements.leave-the-words')}</Button>
        <span className="text-soft">{say('agreements.in-this-one-only')}</span>
      </div>
      <Trouble error={change.error} />
    </form>
  );
}
