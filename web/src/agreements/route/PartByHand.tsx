import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';
import { PersonInputs } from '../PersonInputs';

type Detail = Schemas['AgreementDetail'];
type Form = 'correct' | 'replace' | 'skip';

/** What the office does about one part of an agreement that is out. */
export function PartByHand({
  number,
  part,
  turn,
  onTaken,
}: {
  number: string;
  part: Schemas['Part'];
  /** Whether it is waited for. */
  turn: boolean;
  onTaken: (detail: Detail) => void;
}) {
  const [form, setForm] = useState<Form>();
  const path = { params: { path: { number, party: part.party } } };
  const took = (detail: Detail) => {
    setForm(undefined);
    onTaken(detail);
  };
  const remind = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/agreements/{number}/people/{party}/reminder', path)),
    onSuccess: took,
  });
  const renew = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/agreements/{number}/people/{party}/link', path)),
    onSuccess: took,
  });
  const busy = remind.isPending || renew.isPending;
  const acts: { words: string; act: () => void }[] = [
    ...(turn && !part.undelivered
      ? [{ words: say('agreements.remind-now'), act: () => remind.mutate() }]
      : []),
    ...(turn ? [{ words: say('agreements.send-new-link'), act: () => renew.mutate() }] : []),
    { words: say('agreements.correct-person'), act: () => setForm('correct') },
    { words: say('agreements.replace-person'), act: () => setForm('replace') },
    ...(part.optional ? [{ words: say('agreements.skip-part'), act: () => setForm('skip') }] : []),
  ];
  return (
    <div className="pb-2">
      {form === undefined && (
        <Menu>
          <MenuButton
            className="min-h-7 text-slate underline underline-offset-3"
            disabled={busy}
            aria-label={say('agreements.act-for', { name: part.name || part.label })}
          >
            {say('agreements.act')}
          </MenuButton>
          <MenuItems
            anchor="bottom"
            className="z-20 flex flex-col rounded border border-rule bg-sheet py-1 shadow-page"
          >
            {acts.map(({ words, act }) => (
              <MenuItem key={words}>
                <button
                  type="button"
                  className="min-h-8 px-3 text-left data-focus:bg-slatted"
                  onClick={act}
                >
                  {words}
                </button>
              </MenuItem>
            ))}
          </MenuItems>
        </Menu>
      )}
      <Trouble error={remind.error ?? renew.error} />
      {(remind.isSuccess || renew.isSuccess) && !busy && (
        <p role="status" className="text-soft">
          {say(renew.isSuccess ? 'agreements.new-link-goes' : 'agreements.reminder-goes', {
            mail: part.mail,
          })}
        </p>
      )}
      {(form === 'correct' || form === 'replace') && (
        <div className="flex flex-col gap-1 pt-1">
          <p className="text-soft">
            {say(form === 'correct' ? 'agreements.correct-hint' : 'agreements.replace-hint')}
          </p>
          <PersonInputs
            number={number}
            person={form === 'correct' ? part : { ...part, name: '', mail: '', phone: '' }}
            another={form === 'replace'}
            instead={part.mail}
            onLeave={() => setForm(undefined)}
            onTaken={took}
          />
        </div>
      )}
      {form === 'skip' && (
        <Skip path={path} label={part.label} onLeave={() => setForm(undefined)} onTaken={took} />
      )}
    </div>
  );
}

/** Goes on without an optional part, maybe with a reason. */
function Skip({
  path,
  label,
  onLeave,
  onTaken,
}: {
  path: { params: { path: { number: string; party: string } } };
  label: string;
  onLeave: () => void;
  onTaken: (detail: Detail) => void;
}) {
  const [reason, setReason] = useState('');
  const skip = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/agreements/{number}/people/{party}/skipping', {
          ...path,
          body: { reason },
        }),
      ),
    onSuccess: onTaken,
  });
  return (
    <form
      className="flex flex-col gap-1 pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        skip.mutate();
      }}
    >
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('agreements.skip-reason')}</span>
        <input
          className={inputLook}
          autoFocus
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <Trouble error={skip.error} />
      <span className="flex gap-2">
        <Button type="submit" disabled={skip.isPending}>
          {say('agreements.go-on-without', { label })}
        </Button>
        <Button onClick={onLeave}>{say('agreements.leave-as-it-was')}</Button>
      </span>
    </form>
  );
}
