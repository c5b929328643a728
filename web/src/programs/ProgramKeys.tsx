import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, inputLook, Trouble } from '../ui/parts';
import { date, dateTime } from '../ui/time';
import { FreshSecret } from './FreshSecret';

type Kind = Schemas['ProgramKey']['kind'];

/** A program's keys: made, one after the other, ended. */
export function ProgramKeys({
  program,
  onChange,
}: {
  program: Schemas['ProgramDetail'];
  onChange: (program: Schemas['ProgramDetail']) => void;
}) {
  const [kind, setKind] = useState<Kind>('BEARER');
  const [others, setOthers] = useState('');
  const [fresh, setFresh] = useState<Schemas['FreshKey']>();
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/programs/{id}/keys', {
          params: { path: { id: program.id } },
          body: { kind, othersEndIn: others === '' ? null : Number(others) },
        }),
      ),
    onSuccess: (key) => {
      setFresh(key);
      onChange(key.program);
    },
  });
  const end = useMutation({
    mutationFn: (key: string) =>
      answer(
        api.DELETE('/api/v1/programs/{id}/keys/{key}', {
          params: { path: { id: program.id, key } },
        }),
      ),
    onSuccess: onChange,
  });
  const holding = program.keys.filter((key) => key.holds);
  return (
    <section aria-labelledby="keys" className="flex flex-col gap-3">
      <h2 id="keys" className="text-lg">
        {say('programs.keys')}
      </h2>
      {program.keys.length === 0 && <p className="text-soft">{say('programs.keys-none')}</p>}
      <ul className="flex flex-col gap-2">
        {program.keys.map((key) => (
          <li key={key.id} className="flex items-baseline gap-3 border-l-2 border-rule pl-3">
            <span className={`mr-auto ${key.holds ? '' : 'text-soft line-through'}`}>
              {say(key.kind === 'BEARER' ? 'programs.key-bearer' : 'programs.key-signing', {
                ending: key.ending,
              })}{' '}
              <span className="text-soft">
                {say('programs.key-made', { day: date(key.createdAt), by: key.createdBy })}
                {key.lastUsedAt &&
                  `, ${say('programs.key-used', { when: dateTime(key.lastUsedAt) })}`}
                {key.endsAt &&
                  `, ${say(key.holds ? 'programs.key-ends' : 'programs.key-ended', { when: dateTime(key.endsAt) })}`}
              </span>
            </span>
            {key.holds && (
              <Button
                look="grave"
                className="min-h-7 px-2 whitespace-nowrap"
                disabled={end.isPending}
                onClick={() => end.mutate(key.id)}
              >
                {say('programs.end-key')}
                <span className="sr-only">{key.ending}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!program.endedAt && (
        <div className="flex flex-wrap items-end gap-3">
          <label className="flex w-72 flex-col gap-1">
            <span className="text-soft">{say('programs.key-kind')}</span>
            <select
              className={inputLook}
              value={kind}
              onChange={(event) => setKind(event.target.value as Kind)}
            >
              <option value="BEARER">{say('programs.kind-of-key-bearer')}</option>
              <option value="SIGNING">{say('programs.kind-of-key-signing')}</option>
            </select>
          </label>
          {holding.length > 0 && (
            <label className="flex w-56 flex-col gap-1">
              <span className="text-soft">{say('programs.others')}</span>
              <select
                className={inputLook}
                value={others}
                onChange={(event) => setOthers(event.target.value)}
              >
                <option value="">{say('programs.others-stay')}</option>
                <option value="0">{say('programs.others-now')}</option>
                <option value="24">{say('programs.others-day')}</option>
                <option value="168">{say('programs.others-week')}</option>
              </select>
            </label>
          )}
          <Button disabled={make.isPending} onClick={() => make.mutate()}>
            {say('programs.make-key')}
          </Button>
        </div>
      )}
      <Trouble error={make.error ?? end.error} />
      {fresh && (
        <FreshSecret
          title={say('programs.fresh-key')}
          id={
            fresh.program.keys.find(({ id }) => id === fresh.id)?.kind === 'SIGNING'
              ? fresh.id
              : undefined
          }
          secret={fresh.secret}
          onClose={() => setFresh(undefined)}
        />
      )}
    </section>
  );
}
