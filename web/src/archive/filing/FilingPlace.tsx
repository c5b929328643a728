import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';
import { dateTime } from '../../ui/time';
import { FilingForm } from './FilingForm';

type Target = Schemas['FilingTargetView'];

/** A place to which agreements are filed: how far it is, what stands in the way, and what can be done. */
export function FilingPlace({ target, folders }: { target: Target; folders: string[] }) {
  const [open, setOpen] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const queries = useQueryClient();
  const renewed = () => queries.invalidateQueries({ queryKey: ['filing'] });
  const path = { params: { path: { id: target.id } } };
  const act = useMutation({
    mutationFn: (what: 'pause' | 'go-on' | 'again' | 'everything' | 'remove'): Promise<unknown> => {
      switch (what) {
        case 'pause':
          return answer(api.POST('/api/v1/archive/filing/{id}/pause', path));
        case 'go-on':
          return answer(api.DELETE('/api/v1/archive/filing/{id}/pause', path));
        case 'remove':
          return answer(api.DELETE('/api/v1/archive/filing/{id}', path));
        default:
          return answer(
            api.POST('/api/v1/archive/filing/{id}/again', {
              params: { ...path.params, query: { everything: what === 'everything' } },
            }),
          );
      }
    },
    onSettled: renewed,
  });
  const { terms, fault, waiting, filed, failed } = target;
  const button = (what: Parameters<typeof act.mutate>[0], words: string) => (
    <Button disabled={act.isPending} onClick={() => act.mutate(what)}>
      {words}
    </Button>
  );
  return (
    <article aria-label={terms.title} className="border-b border-rule py-4">
      <h2 className="text-lg">{terms.title}</h2>
      <p className="wrap-anywhere text-soft">{terms.address}</p>
      <p className="py-1">
        {say('filing.counts', { filed, waiting, failed })}
        {target.gathering && say('filing.gathering')}
        {target.paused && (
          <strong className="font-medium text-clay"> {say('filing.paused')}</strong>
        )}
      </p>
      {fault && (
        <p role="status" className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
          {fault}{' '}
          {target.waitsUntil && say('filing.tried-again', { at: dateTime(target.waitsUntil) })}
        </p>
      )}
      {failed > 0 && <Failed id={target.id} />}
      <Trouble error={act.error} />
      <div className="flex flex-wrap gap-3 pt-2">
        {(fault || failed > 0) && button('again', say('filing.try-now'))}
        {filed > 0 && button('everything', say('filing.file-again'))}
        {target.paused
          ? button('go-on', say('filing.go-on'))
          : button('pause', say('filing.pause'))}
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {say('filing.change')}
        </Button>
        {leaving ? (
          <>
            <Button look="grave" disabled={act.isPending} onClick={() => act.mutate('remove')}>
              {say('filing.really-remove')}
            </Button>
            <Button onClick={() => setLeaving(false)}>{say('archive.leave-as-it-is')}</Button>
          </>
        ) : (
          <Button onClick={() => setLeaving(true)}>{say('filing.remove')}</Button>
        )}
      </div>
      {open && (
        <div className="pt-4">
          <FilingForm
            key={target.revision}
            terms={terms}
            folders={folders}
            hasPassword={target.hasPassword}
            act={say('filing.keep')}
            save={(next, password) =>
              answer(
                api.PUT('/api/v1/archive/filing/{id}', {
                  ...path,
                  body: { revision: target.revision, terms: next, password },
                }),
              )
            }
            onSaved={() => {
              setOpen(false);
              void renewed();
            }}
            onLeave={() => setOpen(false)}
          />
        </div>
      )}
    </article>
  );
}

/** What couldn't be filed, and why. */
function Failed({ id }: { id: string }) {
  const rows = useQuery({
    queryKey: ['filing', id, 'failed'],
    queryFn: () =>
      answer(
        api.GET('/api/v1/archive/filing/{id}/agreements', {
          params: { path: { id }, query: { state: 'FAILED' } },
        }),
      ),
  });
  return (
    <>
      <Trouble error={rows.error} />
      <ul aria-label={say('filing.failed')} className="py-1">
        {rows.data?.items.map((row) => (
          <li key={row.number}>
            <Link to={`/archive/${row.number}`}>{row.number}</Link> {row.fault}
          </li>
        ))}
      </ul>
    </>
  );
}
