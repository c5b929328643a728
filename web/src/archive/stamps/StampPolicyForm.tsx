import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, describedBy, inputLook, Labelled, Trouble } from '../../ui/parts';
import { handedIn, useServerFaults } from '../../ui/serverFaults';
import { useStampsAnew } from './queries';
import { algorithms } from './stampWords';

type Algorithm = (typeof algorithms)[number]['value'];

/** Named as the server says what is wrong. */
type Typed = { renewDays: number; algorithm: Algorithm; until: Record<Algorithm, string> };

/** Says when archive time stamps are renewed, and how long each algorithm is relied on. */
export function StampPolicyForm({
  state,
  onClose,
}: {
  state: Schemas['ArchiveStampsState'];
  onClose: () => void;
}) {
  // what is kept is about what was shown at first, whatever is fetched meanwhile
  const [{ policy, edition }] = useState(state);
  const days = policy.until as Partial<Record<Algorithm, string>>;
  const form = useForm<Typed>({
    defaultValues: {
      renewDays: policy.renewDays,
      algorithm: policy.algorithm,
      until: {
        SHA_256: days.SHA_256 ?? '',
        SHA_384: days.SHA_384 ?? '',
        SHA_512: days.SHA_512 ?? '',
      },
    },
  });
  const { register, setError, formState } = form;
  const keep = useStampsAnew(({ renewDays, algorithm, until }: Typed) =>
    answer(
      api.PUT('/api/v1/archive/stamps/policy', {
        body: {
          policy: {
            renewDays: Number.isNaN(renewDays) ? 0 : renewDays,
            algorithm,
            until: Object.fromEntries(Object.entries(until).filter(([, day]) => day !== '')),
          },
          edition,
        },
      }),
    ),
  );
  useServerFaults(keep.error, setError);
  const { errors } = formState;
  return (
    <DialogShell open title={say('stamps.when-renewed')} onClose={onClose}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={handedIn(form, (typed) => keep.mutate(typed, { onSuccess: onClose }))}
      >
        <Labelled
          id="renew-days"
          label={say('stamps.days-before')}
          hint={say('stamps.days-hint')}
          fault={errors.renewDays?.message}
        >
          <input
            id="renew-days"
            type="number"
            min={1}
            max={1000}
            className={inputLook}
            {...describedBy('renew-days', say('stamps.days-hint'), errors.renewDays?.message)}
            {...register('renewDays', { valueAsNumber: true })}
          />
        </Labelled>
        <Labelled
          id="stamp-algorithm"
          label={say('stamps.new-ones-with')}
          fault={errors.algorithm?.message}
        >
          <select
            id="stamp-algorithm"
            className={inputLook}
            {...describedBy('stamp-algorithm', undefined, errors.algorithm?.message)}
            {...register('algorithm')}
          >
            {algorithms.map(({ value, words }) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </Labelled>
        <fieldset className="flex flex-col gap-2">
          <legend className="pb-1 font-medium">{say('stamps.relied-on-until')}</legend>
          <p className="text-soft">{say('stamps.relied-on-hint')}</p>
          {algorithms.map(({ value, words }) => (
            <Labelled
              key={value}
              id={`until-${value}`}
              label={words}
              fault={errors.until?.[value]?.message}
            >
              <input
                id={`until-${value}`}
                type="date"
                className={inputLook}
                {...describedBy(`until-${value}`, undefined, errors.until?.[value]?.message)}
                {...register(`until.${value}`)}
              />
            </Labelled>
          ))}
        </fieldset>
        <Trouble error={keep.error} />
        <div className="flex flex-wrap gap-3">
          <Button type="submit" look="main" disabled={keep.isPending}>
            {say('stamps.keep')}
          </Button>
          <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
        </div>
      </form>
    </DialogShell>
  );
}
