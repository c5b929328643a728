import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useFieldArray, useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { handedIn, useServerFaults } from '../../ui/serverFaults';
import { DialogShell } from '../../ui/DialogShell';
import { Button, Trouble } from '../../ui/parts';
import { readDays } from './dateWords';
import { useDatesAnew } from './queries';
import { WatchedDateInputs } from './WatchedDateInputs';

const most = 8;

/** A watched date as it is typed. */
export type TypedDate = Pick<
  Schemas['KeyDate'],
  'key' | 'title' | 'kind' | 'from' | 'unit' | 'owner' | 'teams'
> & {
  way: 'on' | 'before' | 'after';
  count: number;
  every: number;
  warn: string;
  mails: string;
};

const typed = (one: Schemas['KeyDate']): TypedDate => ({
  key: one.key,
  title: one.title,
  kind: one.kind,
  from: one.from,
  unit: one.unit,
  owner: one.owner,
  way: one.shift === 0 ? 'on' : one.shift < 0 ? 'before' : 'after',
  count: Math.abs(one.shift) || 1,
  every: one.every,
  warn: one.warn.join(', '),
  mails: one.mails.join(', '),
  teams: one.teams,
});

/** As the server keeps it. */
export function readDate(one: TypedDate): Schemas['KeyDate'] {
  const { key, title, kind, from, unit, owner, teams, way, count, every } = one;
  const by = Number.isFinite(count) ? count : 0;
  return {
    key,
    title,
    kind,
    from,
    unit,
    owner,
    teams,
    shift: way === 'on' ? 0 : way === 'before' ? 0 - by : by,
    every: Number.isFinite(every) ? every : 0,
    warn: readDays(one.warn),
    mails: one.mails.split(/[\s,;]+/).filter(Boolean),
  };
}

const another: TypedDate = {
  key: '',
  title: '',
  kind: 'END',
  from: '',
  unit: 'DAYS',
  owner: true,
  way: 'on',
  count: 30,
  every: 0,
  warn: '90, 30, 7',
  mails: '',
  teams: [],
};

/** Which dates of a template's agreements are watched, and who is told of them when. */
export function WatchDates({
  template,
  name,
  watched,
  onClose,
}: {
  template: string;
  name: string;
  watched: Schemas['TemplateDatesView'];
  onClose: () => void;
}) {
  const form = useForm<{ dates: TypedDate[] }>({
    defaultValues: { dates: watched.dates.map(typed) },
  });
  const { control, handleSubmit, setError, clearErrors } = form;
  // what is kept is about what was shown at first, whatever is fetched meanwhile
  const [edition] = useState(watched.edition);
  // the form has ids of its own for what it lists
  const dates = useFieldArray({ control, name: 'dates', keyName: 'place' });
  const anew = useDatesAnew();
  const keep = useMutation({
    mutationFn: (said: TypedDate[]) => {
      return answer(
        api.PUT('/api/v1/archive/templates/{id}/dates', {
          params: { path: { id: template } },
          body: { dates: said.map(readDate), edition },
        }),
      );
    },
    onSuccess: async () => {
      await anew();
      onClose();
    },
  });
  useServerFaults(keep.error, setError);
  return (
    <DialogShell open width="wide" title={say('dates.of', { name })} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn({ clearErrors, handleSubmit }, (said) => keep.mutate(said.dates))}
      >
        <p className="text-soft">{say('dates.hint')}</p>
        {dates.fields.map(({ place }, at) => (
          <WatchedDateInputs
            key={place}
            at={at}
            form={form}
            sources={watched.sources}
            onRemove={() => dates.remove(at)}
          />
        ))}
        {dates.fields.length < most && (
          <Button className="self-start" onClick={() => dates.append(another)}>
            {say('dates.watch-another')}
          </Button>
        )}
        <Trouble error={keep.error} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {say('dates.keep')}
          </Button>
          <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
        </div>
      </form>
    </DialogShell>
  );
}
