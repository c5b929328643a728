import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { useSay } from '../messages/useSay';
import { Button, inputLook, Labelled, Trouble } from '../ui/parts';

/** The word without which the form is told to nobody. */
export function SayWord({
  token,
  title,
  onSaid,
}: {
  token: string;
  title: string;
  onSaid: (access: string) => void;
}) {
  const words = useSay();
  const [word, setWord] = useState('');
  const say = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/ask/{token}/word', { params: { path: { token } }, body: { word } })),
    onSuccess: ({ access }) => onSaid(access),
  });
  return (
    <form
      className="flex max-w-md flex-col items-start gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        say.mutate();
      }}
    >
      <h1 className="text-2xl">{title}</h1>
      <Labelled id="word" label={words.say('ask.word')}>
        <input
          id="word"
          className={inputLook}
          autoComplete="off"
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
      </Labelled>
      <Trouble error={say.error} />
      <Button
        type="submit"
        look="main"
        className="min-h-11"
        disabled={!word.trim() || say.isPending}
      >
        {words.say('ask.word-go')}
      </Button>
    </form>
  );
}
