import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';
import { Input } from './Input';
import type { Form } from './PlaceFields';
import { examples, steps } from './records';

/** What is written back into a record at each step, and where the signed file goes. */
export function BackFields({ form, faults }: { form: Form; faults: Record<string, string> }) {
  const { register } = form;
  return (
    <fieldset className="flex min-w-0 flex-col gap-3">
      <legend className="pb-1 font-serif text-lg font-medium">{say('records.written-back')}</legend>
      <table className="w-full">
        <thead>
          <tr className="border-b border-edge text-left">
            <th className="py-1 font-medium">{say('records.when')}</th>
            <th className="py-1 font-medium">{say('records.status-then')}</th>
          </tr>
        </thead>
        <tbody>
          {steps.map(({ step, name }) => {
            const fault = faults[`back.statuses.${step}`];
            return (
              <tr key={step} className="border-b border-rule">
                <td className="py-1 pr-3">
                  <label htmlFor={`back.statuses.${step}`}>{say(name)}</label>
                </td>
                <td className="py-1">
                  <input
                    id={`back.statuses.${step}`}
                    className={inputLook}
                    placeholder={say('records.stays')}
                    aria-invalid={Boolean(fault)}
                    {...register(`back.statuses.${step}`)}
                  />
                  {fault && <p className="text-oxide">{fault}</p>}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="grid gap-3 sm:grid-cols-3">
        <Input
          id="back.number"
          code
          list="places"
          label={say('records.number-to')}
          fault={faults['back.number']}
          {...register('back.number')}
        />
        <Input
          id="back.link"
          code
          list="places"
          label={say('records.link-to')}
          fault={faults['back.link']}
          {...register('back.link')}
        />
        <Input
          id="back.said"
          code
          list="places"
          label={say('records.said-to')}
          fault={faults['back.said']}
          {...register('back.said')}
        />
      </div>
      <Input
        id="back.file"
        code
        label={say('records.file')}
        hint={say('records.file-hint')}
        fault={faults['back.file']}
        placeholder={examples.file}
        {...register('back.file')}
      />
      <Input
        id="back.name"
        label={say('records.file-name')}
        hint={say('records.file-name-hint')}
        fault={faults['back.name']}
        placeholder={examples.name}
        {...register('back.name')}
      />
      <label className="flex min-h-8 items-center gap-2">
        <input type="checkbox" className="size-5" {...register('back.signingRecord')} />
        {say('records.signing-record-too')}
      </label>
    </fieldset>
  );
}
