import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { Ordinal } from '../page/weave';
import { Button, inputLook, Trouble } from '../ui/parts';
import { dutyWords } from '../ui/words';
import { SpokenOptions } from '../ui/SpokenOptions';

type Person = Schemas['Part'];

/** Who takes part, in order; before sending, each can be corrected. */
export function People({
  number,
  people,
  fixed,
  open,
  onOpen,
  onTaken,
}: {
  number: string;
  people: Person[];
  fixed: boolean;
  /** The party whose person is being corrected. */
  open: string | undefined;
  onOpen: (party: string | undefined) => void;
  onTaken: (detail: Schemas['AgreementDetail']) => void;
}) {
  return (
    <section aria-label={say('agreements.parties')}>
      <h2 className="pb-1 text-lg">{say('agreements.parties')}</h2>
      <ol className="flex flex-col gap-2">
        {people.map((person, i) => (
          <li key={person.party} className="flex gap-2">
            <Ordinal ordinal={i + 1} />
            {!fixed && open === person.party ? (
              <PersonInputs
                number={number}
                person={person}
                onLeave={() => onOpen(undefined)}
                onTaken={(detail) => {
                  onOpen(undefined);
                  onTaken(detail);
                }}
              />
            ) : (
              <span className="min-w-0 grow">
                <strong className="font-medium">
                  {person.name || say('agreements.nobody-yet')}
                </strong>{' '}
                <span className="text-soft">
                  {person.label}, {dutyWords[person.duty]}
                  {person.duty !== 'RECEIVES_COPY' &&
                    say('agreements.stage', { stage: person.stage })}
                </span>
                {person.absence ? (
                  <span className="block text-clay">{person.absence}</span>
                ) : (
                  <span className="block truncate text-soft">
                    {person.mail || say('agreements.no-mail-address')}
                  </span>
                )}
                {!fixed && (
                  <button
                    type="button"
                    className="min-h-6 text-slate underline underline-offset-3"
                    onClick={() => onOpen(person.party)}
                  >
                    {say('agreements.correct', { label: person.label })}
                  </button>
                )}
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** The person of one party, to be corrected. */
function PersonInputs({
  number,
  person,
  onLeave,
  onTaken,
}: {
  number: string;
  person: Person;
  onLeave: () => void;
  onTaken: (detail: Schemas['AgreementDetail']) => void;
}) {
  const [editing, setEditing] = useState(person);
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/v1/agreements/{number}/people/{party}', {
          params: { path: { number, party: editing.party } },
          body: {
            name: editing.name,
            mail: editing.mail,
            phone: editing.phone,
            language: editing.language,
          },
        }),
      ),
    onSuccess: onTaken,
  });
  const first = useRef<HTMLInputElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <form
      className="flex grow flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <input
        ref={first}
        aria-label={say('agreements.name-of', { label: editing.label })}
        className={inputLook}
        value={editing.name}
        onChange={(event) => setEditing({ ...editing, name: event.target.value })}
      />
      <input
        aria-label={say('agreements.mail-address-of', { label: editing.label })}
        type="email"
        className={inputLook}
        value={editing.mail}
        onChange={(event) => setEditing({ ...editing, mail: event.target.value })}
      />
      <input
        aria-label={say('agreements.phone-of', { label: editing.label })}
        placeholder={say('agreements.phone')}
        type="tel"
        className={inputLook}
        value={editing.phone}
        onChange={(event) => setEditing({ ...editing, phone: event.target.value })}
      />
      <select
        aria-label={say('agreements.language-of', { label: editing.label })}
        className={inputLook}
        value={editing.language}
        onChange={(event) => setEditing({ ...editing, language: event.target.value })}
      >
        <SpokenOptions none={say('templates.the-agreements-language')} />
      </select>
      <Trouble error={save.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={save.isPending}>
          {say('agreements.keep')}
        </Button>
        <Button onClick={onLeave}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}
