import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { allOf } from '../api/all';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { forgetHere } from './kept';

/** Forms that the person has begun and not handed in, each a way back to it; nothing when there are none. */
export function BegunForms() {
  const begun = useQuery({
    queryKey: ['begun-forms'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/begun-forms', { params: { query: { page } } }))),
  });
  if (begun.error) return <Trouble error={begun.error} />;
  if (!begun.data?.length) return null;
  return (
    <section aria-label={say('intake.begun')} className="pb-6">
      <h2 className="pb-1 text-lg">{say('intake.begun')}</h2>
      <ul className="flex max-w-2xl flex-col">
        {begun.data.map((one) => (
          <Begun key={one.key} one={one} />
        ))}
      </ul>
    </section>
  );
}

function Begun({ one }: { one: Schemas['BegunRow'] }) {
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const discard = useMutation({
    mutationFn: () =>
      answer(api.DELETE('/api/v1/begun-forms/{key}', { params: { path: { key: one.key } } })),
    onSuccess: () => {
      forgetHere(one.key);
      return queries.invalidateQueries({ queryKey: ['begun-forms'] });
    },
  });
  return (
    <li className="flex min-h-9 flex-wrap items-center gap-x-3 border-b border-rule">
      <Link to={`/intake/new/${one.template}?form=${one.key}`}>{one.name}</Link>
      <span className="mr-auto text-soft">
        {say('intake.begun-at', { when: dateTime(one.changedAt) })}
      </span>
      {sure ? (
        <>
          <span>{say('intake.really-discard')}</span>
          <Button look="grave" disabled={discard.isPending} onClick={() => discard.mutate()}>
            {say('intake.discard')}
          </Button>
          <Button onClick={() => setSure(false)}>{say('intake.keep-them')}</Button>
        </>
      ) : (
        <Button onClick={() => setSure(true)}>
          {say('intake.discard')}
          <span className="sr-only">{one.name}</span>
        </Button>
      )}
      <Trouble error={discard.error} />
    </li>
  );
}
