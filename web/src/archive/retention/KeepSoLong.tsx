import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { handedIn, useServerFaults } from '../../ui/serverFaults';
import { DialogShell } from '../../ui/DialogShell';
import { Button, describedBy, inputLook, Trouble } from '../../ui/parts';
import { monthsOf, typedTime, type TypedTime } from './ruleWords';
import { useRetentionAnew } from './queries';

type Unit = TypedTime['unit'];

/** Flat, since the server says what is wrong by these names. */
type Typed = {
  completed: number;
  completedUnit: Unit;
  inVain: number;
  inVainUnit: Unit;
  yearEnd: boolean;
};

/** How long one kind of ended agreements is kept. */
function Time({
  name,
  label,
  form,
}: {
  name: 'completed' | 'inVain';
  label: string;
  form: UseFormReturn<Typed>;
}) {
  const { register, watch, formState } = form;
  const id = `kept-${name}`;
  const fault = formState.errors[name]?.message;
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="pb-1 font-medium">{label}</legend>
      <div className="flex flex-wrap items-center gap-2">
        {watch(`${name}Unit`) !== 'EVER' && (
          <span className="w-24">
            <input
              aria-label={say('retention.how-many', { label })}
              type="number"
              min={1}
              className={inputLook}
              {...describedBy(id, undefined, fault)}
              {...register(name, { valueAsNumber: true })}
            />
          </span>
        )}
        <span className="w-40">
          <select
            aria-label={say('retention.unit', { label })}
            className={inputLook}
            {...register(`${name}Unit`)}
          >
            <option value="YEARS">{say('retention.unit-years')}</option>
            <option value="MONTHS">{say('retention.unit-months')}</option>
            <option value="EVER">{say('retention.for-ever')}</option>
          </select>
        </span>
      </div>
      {fault && (
        <p id={`${id}-fault`} className="text-oxide">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

/** Settles how long a template's agreements are kept after they have ended. */
export function KeepSoLong({
  template,
  name,
  kept,
  onClose,
}: {
  template: string;
  name: string;
  kept: Schemas['TemplateRetentionView'];
  onClose: () => void;
}) {
  const completed = typedTime(kept.rule.completed);
  const inVain = typedTime(kept.rule.inVain);
  const form = useForm<Typed>({
    defaultValues: {
      completed: completed.count,
      completedUnit: completed.unit,
      inVain: inVain.count,
      inVainUnit: inVain.unit,
      yearEnd: kept.rule.yearEnd,
    },
  });
  const { register, handleSubmit, setError, clearErrors } = form;
  // what is kept is about what was shown at first, whatever is fetched meanwhile
  const [edition] = useState(kept.edition);
  const anew = useRetentionAnew();
  const keep = useMutation({
    mutationFn: (said: Typed) => {
      return answer(
        api.PUT('/api/v1/archive/templates/{id}/retention', {
          params: { path: { id: template } },
          body: {
            rule: {
              completed: monthsOf({ count: said.completed, unit: said.completedUnit }),
              inVain: monthsOf({ count: said.inVain, unit: said.inVainUnit }),
              yearEnd: said.yearEnd,
            },
            edition,
          },
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
    <DialogShell open title={say('retention.of', { name })} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn({ clearErrors, handleSubmit }, (said) => keep.mutate(said))}
      >
        <p className="text-soft">{say('retention.rule-hint')}</p>
        <Time name="completed" label={say('retention.completed')} form={form} />
        <Time name="inVain" label={say('retention.in-vain')} form={form} />
        <label className="flex items-center gap-2">
          <input type="checkbox" className="size-5" {...register('yearEnd')} />
          {say('retention.year-end')}
        </label>
        <Trouble error={keep.error} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {say('retention.keep-rule')}
          </Button>
          <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
        </div>
      </form>
    </DialogShell>
  );
}
