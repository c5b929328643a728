import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import type { Role } from '../office/roles';
import { Button, Trouble } from '../ui/parts';
import { roleWords } from './people';
import { RoleChoice } from './RoleChoice';

/** Who needs more than a password. */
export function EntryRule() {
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<Role[]>();
  const rule = useQuery({
    queryKey: ['entry-rule'],
    queryFn: () => answer(api.GET('/api/v1/people/entry-rule')),
  });
  const keep = useMutation({
    mutationFn: (secondFactor: Role[]) =>
      answer(api.PUT('/api/v1/people/entry-rule', { body: { secondFactor } })),
    onSuccess: (next) => {
      queries.setQueryData(['entry-rule'], next);
      void queries.invalidateQueries({ queryKey: ['session'] });
      setChosen(undefined);
    },
  });
  if (!rule.data) return <Trouble error={rule.error} />;
  const { secondFactor } = rule.data;
  return (
    <section aria-label={say('people.entry-rule')} className="flex max-w-2xl flex-col gap-3 pt-8">
      <h2 className="text-lg">{say('people.entry-rule')}</h2>
      {chosen ? (
        <>
          <RoleChoice legend={say('people.needs-more')} chosen={chosen} onChange={setChosen} />
          <p className="text-soft">{say('people.entry-rule-hint')}</p>
          <Trouble error={keep.error} />
          <span className="flex gap-2">
            <Button look="main" disabled={keep.isPending} onClick={() => keep.mutate(chosen)}>
              {say('people.keep-rule')}
            </Button>
            <Button onClick={() => setChosen(undefined)}>{say('account.not-now')}</Button>
          </span>
        </>
      ) : (
        <p className="flex items-center gap-3">
          {secondFactor.length === 0
            ? say('people.nobody-needs-more')
            : say('people.who-needs-more', { roles: roleWords(secondFactor) })}
          <Button onClick={() => setChosen(secondFactor)}>{say('people.change-rule')}</Button>
        </p>
      )}
    </section>
  );
}
