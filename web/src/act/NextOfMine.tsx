import { useEffect, useState } from 'react';
import { answer, api, Problem, type Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { Button, Trouble } from '../ui/parts';

/** For who came from the office's rooms: what waits for them next, and the way back. */
export function NextOfMine() {
  const words = useSay();
  const [mine, setMine] = useState<Schemas['PageWaits']>();
  const [error, setError] = useState<Problem>();
  useEffect(() => {
    // who has signed out meanwhile just goes back
    answer(api.GET('/api/v1/mine')).then(setMine, () => undefined);
  }, []);
  const next = mine?.items[0]?.row;
  async function go(number: string) {
    try {
      const { address } = await answer(
        api.POST('/api/v1/mine/{number}/way-in', { params: { path: { number } } }),
      );
      location.assign(new URL(address).pathname);
    } catch (problem) {
      setError(problem as Problem);
    }
  }
  return (
    <nav aria-label={words.say('mine.next')} className="flex flex-wrap items-center gap-4 pb-5">
      {next && (
        <Button look="main" className="min-h-11" onClick={() => void go(next.number)}>
          {words.say('mine.go-on', { title: next.title, count: mine?.total ?? 1 })}
        </Button>
      )}
      <a className="inline-flex min-h-11 items-center" href="/mine">
        {words.say('mine.back')}
      </a>
      <Trouble error={error} />
    </nav>
  );
}
