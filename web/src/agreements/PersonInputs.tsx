import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';
import { SpokenOptions } from '../ui/SpokenOptions';

/** The person of one party, to be corrected. */
export function PersonInputs({
  number,
  person,
  another,
  instead,
  onLeave,
  onTaken,
}: {
  number: string;
  person: Schemas['Part'];
  /** Whether it is somebody else, who takes the place of one who is waited for. */
  another?: boolean;
  /** The address of who has the part, where what is edited isn't theirs. */
  instead?: string;
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
            instead: instead ?? person.mail,
            another: another ?? null,
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
