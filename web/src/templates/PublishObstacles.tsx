import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { Button, Trouble } from '../ui/parts';

type Detail = Schemas['TemplateDetail'];
const tidied = ['tracked-changes', 'comments'];

/** What still stands in the way of publishing, and what looks like a slip. */
export function PublishObstacles({
  detail,
  onTaken,
}: {
  detail: Detail;
  onTaken: (detail: Detail) => void;
}) {
  const tidy = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/tidying', {
          params: { path: { id: detail.id } },
          body: { revision: detail.revision },
        }),
      ),
    onSuccess: onTaken,
  });
  const rename = useMutation({
    mutationFn: (names: { from: string; to: string }) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/renaming', {
          params: { path: { id: detail.id } },
          body: { revision: detail.revision, ...names },
        }),
      ),
    onSuccess: onTaken,
  });
  const blocking = detail.diagnostics.filter((one) => one.blocks);
  const advice = [...detail.diagnostics.filter((one) => !one.blocks), ...detail.advice];
  const others = detail.obstacles;
  if (!blocking.length && !others.length && !advice.length) return null;
  return (
    <section
      aria-label={say('templates.readiness')}
      className={`mb-5 border-l-4 bg-sheet px-4 py-3 ${blocking.length || others.length ? 'border-clay' : 'border-slate'}`}
    >
      {(blocking.length > 0 || others.length > 0) && (
        <>
          <h2 className="text-lg">{say('templates.before-this-can-be-published')}</h2>
          <ul className="flex flex-col gap-2 py-2">
            {blocking.map((one, i) => (
              <Line key={i} diagnostic={one} />
            ))}
            {others.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        </>
      )}
      {blocking.some((one) => tidied.includes(one.code)) && (
        <Button disabled={tidy.isPending} onClick={() => tidy.mutate()}>
          {say('templates.accept-all-changes-and-delete')}
        </Button>
      )}
      <Trouble error={tidy.error ?? rename.error} />
      {advice.length > 0 && (
        <details className="pt-1" open={!blocking.length && !others.length && advice.length < 3}>
          <summary className="cursor-pointer font-medium">
            {say('templates.to-look-at-publishing-does', { count: advice.length })}
          </summary>
          <ul className="flex flex-col gap-2 pt-2">
            {advice.map((one, i) => (
              <Line key={i} diagnostic={one}>
                {one.code === 'names-alike' &&
                  alike(one.names).map(([from, to]) => (
                    <Button
                      key={from}
                      className="mt-1 mr-2"
                      disabled={rename.isPending}
                      onClick={() => rename.mutate({ from, to })}
                    >
                      {say('templates.use-everywhere', { to })}
                    </Button>
                  ))}
              </Line>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** Both ways in which one of two names can stand for the other. */
function alike(names: string[]): [string, string][] {
  const [a, b] = names;
  return a && b
    ? [
        [b, a],
        [a, b],
      ]
    : [];
}

function Line({
  diagnostic: one,
  children,
}: {
  diagnostic: Schemas['Diagnostic'];
  children?: ReactNode;
}) {
  return (
    <li>
      <strong className="font-medium">{one.message}</strong> {one.cure}
      {one.part !== 'settings' && (
        <span className="block text-soft">
          {say('templates.in-part', { part: one.part })}
          <q className="font-mono">{one.place}</q>
        </span>
      )}
      {children && <div>{children}</div>}
    </li>
  );
}
