import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import { dateTime } from '../../ui/time';

/** What the last check of everything came to, and a new one. */
export function LastCheck({ fixed }: { fixed: boolean }) {
  const queries = useQueryClient();
  const key = ['daily-roots-check'];
  const last = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/api/v1/daily-roots/check')),
  });
  const check = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/daily-roots/check')),
    onSuccess: (result) => queries.setQueryData(key, result),
  });
  if (!last.data) return <Trouble error={last.error} />;
  const { at, findings, said } = last.data;
  const look = findings > 0 ? 'border-oxide' : at ? 'border-moss' : 'border-edge';
  return (
    <section aria-label={say('roots.does-all-agree')} className="mb-5">
      <Trouble error={check.error} />
      <div role="status" className={`flex items-start gap-4 border-l-4 bg-sheet px-3 py-2 ${look}`}>
        <div className="mr-auto">
          {!at && <p>{say('roots.nothing-checked-yet')}</p>}
          {at && findings === 0 && (
            <p className="text-moss">{say('roots.all-agrees', { at: dateTime(at) })}</p>
          )}
          {at && findings > 0 && (
            <>
              <p className="text-oxide">{say('roots.differs', { findings, at: dateTime(at) })}</p>
              <ul>
                {said.map((one) => (
                  <li key={one}>{one}</li>
                ))}
              </ul>
              <p className="pt-1 text-soft">{say('roots.what-to-do')}</p>
            </>
          )}
        </div>
        {!fixed && (
          <Button disabled={check.isPending} onClick={() => check.mutate()}>
            {check.isPending ? say('archive.checking') : say('roots.check-everything-now')}
          </Button>
        )}
      </div>
    </section>
  );
}
