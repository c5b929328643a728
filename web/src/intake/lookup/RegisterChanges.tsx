import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';

/** What the registers say otherwise by now than when answers were taken from them; nothing of it is taken over unasked. */
export function RegisterChanges({
  request,
  held = false,
  onTaken,
}: {
  request: Schemas['RequestDetail'];
  /** Whether something was typed that isn't kept yet. */
  held?: boolean;
  onTaken?: (request: Schemas['RequestDetail']) => void;
}) {
  const told = request.taken.filter(({ changes, gone }) => changes.length > 0 || gone);
  const queries = useQueryClient();
  const { number } = request.row;
  const look = useMutation({
    mutationFn: (body: Schemas['LookedAt']) =>
      answer(api.POST('/api/v1/requests/{number}/taken', { params: { path: { number } }, body })),
    onSuccess: (kept) => {
      queries.setQueryData(['request', number], kept);
      void queries.invalidateQueries({ queryKey: ['agreement'] });
      onTaken?.(kept);
    },
  });
  if (!told.length) return null;
  return (
    <section
      aria-label={say('intake.registers-changed')}
      className="mb-4 max-w-2xl border-l-4 border-clay bg-sheet px-3 py-2"
    >
      <h2 className="text-lg">{say('intake.registers-changed')}</h2>
      <ul className="flex flex-col gap-3 pt-1">
        {told.map(({ question, row, register, label, gone, changes }) => (
          <li key={`${question} ${row}`} className="flex flex-col gap-1">
            <p>
              <Link
                className="underline underline-offset-3"
                to={`/registers/${register}/rows/${row}`}
              >
                {label}
              </Link>
              {gone && <span className="text-soft"> {say('intake.row-taken-out')}</span>}
            </p>
            {changes.length > 0 && (
              <>
                <dl className="flex flex-col">
                  {changes.map(({ field, label: name, was, is }) => (
                    <div key={field} className="flex flex-wrap gap-x-2">
                      <dt className="text-soft">{name}</dt>
                      <dd className="wrap-anywhere">
                        <s className="text-soft">{was || say('intake.nothing-there')}</s>{' '}
                        {is || say('intake.nothing-there')}
                      </dd>
                    </div>
                  ))}
                </dl>
                <div className="flex gap-2">
                  <Button
                    disabled={held || look.isPending}
                    aria-label={say('intake.take-over-named', { row: label })}
                    onClick={() => look.mutate({ question, row, take: true })}
                  >
                    {say('intake.take-over-from')}
                  </Button>
                  <Button
                    disabled={held || look.isPending}
                    onClick={() => look.mutate({ question, row, take: false })}
                  >
                    {say('intake.leave-as-taken')}
                  </Button>
                </div>
              </>
            )}
          </li>
        ))}
      </ul>
      {held && <p className="pt-1 text-soft">{say('intake.keep-what-is-typed-first')}</p>}
      <Trouble error={look.error} />
    </section>
  );
}
