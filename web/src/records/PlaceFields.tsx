import { useFieldArray, type UseFormReturn } from 'react-hook-form';
import { say } from '../messages/rooms';
import { Button } from '../ui/parts';
import { Input } from './Input';
import { examples, type RecordTerms } from './records';

export type Form = UseFormReturn<RecordTerms & { credential: string }>;

/** Where the system is, and which of its records are wanted. */
export function PlaceFields({
  form,
  faults,
  notices,
  hasCredential,
}: {
  form: Form;
  faults: Record<string, string>;
  /** Where it may tell that a record has changed; empty before there is such a place. */
  notices: string;
  hasCredential: boolean;
}) {
  const { register, control } = form;
  const related = useFieldArray({ control, name: 'related' });
  return (
    <>
      <fieldset className="flex min-w-0 flex-col gap-3">
        <legend className="pb-1 font-serif text-lg font-medium">{say('records.the-system')}</legend>
        <Input
          id="title"
          label={say('records.name')}
          fault={faults.title}
          placeholder={say('records.name-example')}
          {...register('title')}
        />
        <Input
          id="place.address"
          code
          label={say('records.address')}
          fault={faults['place.address']}
          placeholder={examples.address}
          {...register('place.address')}
        />
        <Input
          id="credential"
          code
          type="password"
          label={say('records.credential')}
          hint={hasCredential ? say('records.credential-kept') : say('records.credential-hint')}
          fault={faults.credential}
          {...register('credential')}
        />
      </fieldset>
      <fieldset className="min-w-0">
        <legend className="pb-1 font-serif text-lg font-medium">
          {say('records.its-records')}
        </legend>
        <div className="grid gap-3 sm:grid-cols-2">
          <Input
            id="place.list"
            code
            label={say('records.list')}
            hint={say('records.list-hint')}
            fault={faults['place.list']}
            {...register('place.list')}
          />
          <Input
            id="place.items"
            code
            label={say('records.items')}
            hint={say('records.items-hint')}
            fault={faults['place.items']}
            {...register('place.items')}
          />
          <Input
            id="place.one"
            code
            label={say('records.one')}
            hint={say('records.one-hint')}
            fault={faults['place.one']}
            {...register('place.one')}
          />
          <Input
            id="place.key"
            code
            label={say('records.key')}
            hint={say('records.key-hint')}
            fault={faults['place.key']}
            {...register('place.key')}
          />
          <Input
            id="place.status"
            code
            list="places"
            label={say('records.status')}
            hint={say('records.status-hint')}
            fault={faults['place.status']}
            {...register('place.status')}
          />
          <Input
            id="place.wanted"
            label={say('records.wanted')}
            hint={say('records.wanted-hint')}
            fault={faults['place.wanted']}
            {...register('place.wanted')}
          />
          <Input
            id="place.everyMinutes"
            type="number"
            min={1}
            max={1440}
            label={say('records.every')}
            fault={faults['place.everyMinutes']}
            {...register('place.everyMinutes', { valueAsNumber: true })}
          />
          <Input
            id="place.notice"
            code
            label={say('records.notice')}
            hint={
              notices ? say('records.notice-to', { address: notices }) : say('records.notice-hint')
            }
            fault={faults['place.notice']}
            {...register('place.notice')}
          />
        </div>
      </fieldset>
      <fieldset className="flex min-w-0 flex-col gap-2">
        <legend className="pb-1 font-serif text-lg font-medium">{say('records.related')}</legend>
        <p className="text-soft">{say('records.related-hint')}</p>
        {related.fields.map((one, i) => (
          <div
            key={one.id}
            className="grid items-start gap-3 border-l-2 border-rule pl-3 sm:grid-cols-[1fr_2fr_1fr_auto]"
          >
            <Input
              id={`related.${i}.name`}
              label={say('records.related-name')}
              fault={faults[`related.${i}.name`]}
              {...register(`related.${i}.name`)}
            />
            <Input
              id={`related.${i}.address`}
              code
              label={say('records.related-address')}
              fault={faults[`related.${i}.address`]}
              placeholder={examples.related}
              {...register(`related.${i}.address`)}
            />
            <Input
              id={`related.${i}.rows`}
              code
              label={say('records.related-rows')}
              fault={faults[`related.${i}.rows`]}
              {...register(`related.${i}.rows`)}
            />
            <Button className="mt-6" onClick={() => related.remove(i)}>
              {say('programs.take-out')}
              <span className="sr-only">{one.name}</span>
            </Button>
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() => related.append({ name: '', address: '', rows: '' })}
        >
          {say('records.add-related')}
        </Button>
      </fieldset>
    </>
  );
}
