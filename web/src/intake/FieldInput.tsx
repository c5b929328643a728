import { get, useFormContext } from 'react-hook-form';
import type { Schemas } from '../api/client';
import { describedBy, inputLook, Labelled } from '../ui/parts';

export type Answers = {
  values: Record<string, string>;
  people: Record<string, Schemas['PersonInput']>;
};

const examples: Partial<Record<Schemas['Field']['type'], string>> = {
  MONEY: 'With the currency, for example EUR 12500.00',
};

/** One question of a form, by the type of its datum. */
export function FieldInput({ field, path }: { field: Schemas['Field']; path?: string }) {
  const { register, formState } = useFormContext<Answers>();
  const name = (path ?? `values.${field.name}`) as `values.${string}`;
  const id = `field-${field.name}`;
  const fault = (get(formState.errors, name) as { message?: string } | undefined)?.message;
  const hint = field.hint || examples[field.type];
  const shared = {
    id,
    className: inputLook,
    ...describedBy(id, hint, fault),
    ...register(name),
  };
  return (
    <Labelled
      id={id}
      label={field.label}
      fault={fault}
      required={field.required}
      {...(hint ? { hint } : {})}
    >
      {input(field, shared)}
    </Labelled>
  );
}

function input(field: Schemas['Field'], shared: Record<string, unknown>) {
  switch (field.type) {
    case 'LONG_TEXT':
      return <textarea rows={4} {...shared} />;
    case 'DATE':
      return <input type="date" {...shared} className={`${inputLook} max-w-52`} />;
    case 'MAIL_ADDRESS':
      return <input type="email" {...shared} />;
    case 'NUMBER':
      return <input inputMode="decimal" {...shared} className={`${inputLook} max-w-52`} />;
    case 'YES_NO':
      return (
        <select {...shared} className={`${inputLook} max-w-52`}>
          <option value="">choose</option>
          <option value="yes">yes</option>
          <option value="no">no</option>
        </select>
      );
    case 'CHOICE':
      return (
        <select {...shared}>
          <option value="">choose</option>
          {field.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      );
    default:
      return <input {...shared} />;
  }
}
