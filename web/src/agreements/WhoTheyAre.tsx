import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { identityWords } from '../ui/words';

type Part = Schemas['Part'];

/** How people show who they are, as far as that is asked; the office agrees on a word with them or lets them try again. */
export function WhoTheyAre({
  number,
  people,
  route,
  fixed,
}: {
  number: string;
  people: Part[];
  route: Schemas['RouteStep'][];
  fixed: boolean;
}) {
  const asked = people.filter(({ identity, absence }) => identity !== 'NONE' && !absence);
  if (!asked.length) return null;
  return (
    <section aria-label={say('agreements.who-they-are')}>
      <h2 className="pb-1 text-lg">{say('agreements.who-they-are')}</h2>
      <ul className="flex flex-col gap-3">
        {asked.map((part) => (
          <li
            key={part.party}
            className={part.keptOut ? 'border-l-4 border-clay bg-sheet px-3 py-2' : ''}
          >
            <strong className="font-medium">{part.name || part.label}</strong>{' '}
            <span className="text-soft">{identityWords[part.identity]}</span>
            <span className={`block ${part.keptOut ? 'text-clay' : 'text-soft'}`}>
              {stateOf(part)}
            </span>
            {!fixed && stillActs(part, route) && <Acts number={number} part={part} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Who has acted has nothing left to show who they are for. */
function stillActs({ party }: Part, route: Schemas['RouteStep'][]): boolean {
  const standing = route.find((step) => step.party === party)?.standing;
  return standing === 'OPEN' || standing === 'TURN';
}

function wordAct(part: Part) {
  if (part.identity !== 'AGREED_WORD') return 'agreements.word-instead';
  return part.wordAgreed ? 'agreements.another-word' : 'agreements.agree-on-a-word';
}

function stateOf(part: Part): string {
  if (part.keptOut) return say('agreements.kept-out');
  if (part.shownAt) return say('agreements.shown-at', { when: dateTime(part.shownAt) });
  if (part.identity === 'AGREED_WORD')
    return say(part.wordAgreed ? 'agreements.word-is-agreed' : 'agreements.no-word-yet');
  return say('agreements.not-shown-yet');
}

function Acts({ number, part }: { number: string; part: Part }) {
  const client = useQueryClient();
  const [word, setWord] = useState<string>();
  const took = async () => {
    setWord(undefined);
    await client.invalidateQueries({ queryKey: ['agreement', number] });
  };
  const path = { params: { path: { number, party: part.party } } };
  const agree = useMutation({
    mutationFn: (text: string) =>
      answer(
        api.PUT('/api/v1/agreements/{number}/people/{party}/word', {
          ...path,
          body: { word: text },
        }),
      ),
    onSuccess: took,
  });
  const letGoOn = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/agreements/{number}/people/{party}/further-tries', path)),
    onSuccess: took,
  });
  if (word === undefined) {
    return (
      <span className="flex flex-wrap gap-2 pt-1">
        {part.keptOut && (
          <Button disabled={letGoOn.isPending} onClick={() => letGoOn.mutate()}>
            {say('agreements.let-go-on', { name: part.name || part.label })}
          </Button>
        )}
        <Button onClick={() => setWord('')}>
          {say(wordAct(part), { name: part.name || part.label })}
        </Button>
        <Trouble error={letGoOn.error} />
      </span>
    );
  }
  return (
    <form
      className="flex flex-col gap-1 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        agree.mutate(word);
      }}
    >
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('agreements.the-word')}</span>
        <input
          className={inputLook}
          autoComplete="off"
          autoFocus
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
      </label>
      <p className="text-soft">{say('agreements.word-hint')}</p>
      <Trouble error={agree.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={agree.isPending || !word.trim()}>
          {say('agreements.keep')}
        </Button>
        <Button onClick={() => setWord(undefined)}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}
