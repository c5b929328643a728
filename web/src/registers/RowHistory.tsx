import { useInfiniteQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { Button, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import type { Terms } from './registers';

const words: Record<Schemas['RowEntry']['how'], RoomCode> = {
  TYPED: 'registers.how-typed',
  IMPORTED: 'registers.how-imported',
  TAKEN_OUT: 'registers.how-taken-out',
  BROUGHT_BACK: 'registers.how-brought-back',
};

/** How many changes come at a time. */
const size = 50;

/** What was changed in a row, by whom and when, the newest first. */
export function RowHistory({
  register,
  id,
  terms,
  history: newest,
}: {
  register: string;
  id: string;
  terms: Terms;
  history: Schemas['RowEntry'][];
}) {
  const earlier = useInfiniteQuery({
    queryKey: ['register-row-history', register, id, newest[0]?.at],
    enabled: false,
    initialPageParam: 1,
    queryFn: ({ pageParam }) =>
      answer(
        api.GET('/api/v1/registers/{register}/rows/{id}/history', {
          params: { path: { register, id }, query: { page: pageParam } },
        }),
      ),
    getNextPageParam: (last, pages) => (last.length < size ? undefined : pages.length + 1),
  });
  const pages = earlier.data?.pages ?? [];
  const history = [...newest, ...pages.flat()];
  const more = pages.length ? earlier.hasNextPage : newest.length === size;
  const labelOf = (name: string) =>
    terms.columns.find(({ field }) => field.name === name)?.field.label ?? name;
  return (
    <section aria-labelledby="row-history">
      <h2 id="row-history" className="pb-1 text-lg">
        {say('registers.history')}
      </h2>
      <ol className="flex flex-col gap-2">
        {history.map(({ at, by, how, changes }, i) => (
          <li key={i} className="border-l-2 border-rule pl-3">
            <p className="text-soft">
              {dateTime(at)}, {by}, {say(words[how])}
            </p>
            <dl>
              {changes.map(({ column, was, is }) => (
                <div key={column} className="flex flex-wrap gap-x-2">
                  <dt className="text-soft">{labelOf(column)}</dt>
                  <dd className="wrap-anywhere">
                    {was && <s className="text-soft">{was}</s>} {is || say('registers.emptied')}
                  </dd>
                </div>
              ))}
            </dl>
          </li>
        ))}
      </ol>
      {more && (
        <Button
          className="mt-2"
          disabled={earlier.isFetching}
          onClick={() => void (pages.length ? earlier.fetchNextPage() : earlier.refetch())}
        >
          {say('registers.earlier-changes')}
        </Button>
      )}
      <Trouble error={earlier.error} />
    </section>
  );
}
