import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { dateTime } from '../ui/time';

/** What was tried at the links of an agreement and refused; nothing where nobody tried anything. */
export function RefusedActs({ number, events }: { number: string; events: number }) {
  const { data: refused = [] } = useQuery({
    queryKey: ['agreement', number, 'refused', events],
    queryFn: () =>
      answer(api.GET('/api/v1/agreements/{number}/refused-acts', { params: { path: { number } } })),
  });
  if (refused.length === 0) return null;
  return (
    <section aria-label={say('agreements.refused')} className="pt-4">
      <h2 className="text-lg">{say('agreements.refused')}</h2>
      <p className="pb-2 text-soft">{say('agreements.refused-means')}</p>
      <ul className="flex flex-col gap-2 border-l border-rule pl-3">
        {refused.map((one) => (
          <li key={`${one.party} ${one.sentence}`}>
            <time dateTime={one.last} className="block text-soft">
              {dateTime(one.last)}
            </time>
            <span className="wrap-anywhere">
              {say('agreements.refused-one', {
                party: one.party,
                sentence: one.sentence,
                times: one.times,
              })}
            </span>
            <span className="block wrap-anywhere text-soft">{one.from}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
