import { lazy, Suspense, useContext } from 'react';
import { Controller, get, useFormContext } from 'react-hook-form';
import { describedBy, inputLook, Labelled } from '../ui/parts';
import type { Answers, DatumProps, Field, PartsProps } from './inputProps';
import { AddressInput, MomentInput, NameInput } from './PartInputs';
import { PictureInput } from './PictureInput';
import { FormLanguage, typedNumber } from './typing';

const RichInput = lazy(() => import('./RichInput'));
const ItemsInput = lazy(() => import('./ItemsInput'));

const examples: Partial<Record<Field['type'], string>> = {
  WEB_ADDRESS: 'For example https://www.example.org/loans',
  PHONE: 'With the country, for example +44 1632 960 018',
};

function exampleOf(type: Field['type'], language: string): string | undefined {
  if (type === 'MONEY') {
    return `With the currency, for example EUR ${typedNumber('12500.00', language)}`;
  }
  return type === 'NUMBER' ? `For example ${typedNumber('1250.5', language)}` : examples[type];
}

const grouped: Field['type'][] = ['NAME', 'ADDRESS', 'DATE_TIME', 'RICH_TEXT', 'PICTURE', 'ITEMS'];

/** One question of a form, by the type of its datum. */
export function FieldInput({ field, path }: { field: Field; path?: string }) {
  const { control, formState } = useFormContext<Answers>();
  const name = (path ?? `values.${field.name}`) as `values.${string}`;
  const id = `field-${field.name}`;
  const fault = (get(formState.errors, name) as { message?: string } | undefined)?.message;
  return (
    <Controller
      control={control}
      name={name}
      defaultValue=""
      render={({ field: input }) => (
        <DatumInput
          id={id}
          field={field}
          fault={fault}
          value={input.value ?? ''}
          inputRef={input.ref}
          onChange={input.onChange}
        />
      )}
    />
  );
}

/** The input of one datum with its label, without the form around it. */
export function DatumInput({ id, field, fault, value, inputRef, onChange }: DatumProps) {
  const language = useContext(FormLanguage);
  const hint = field.hint || exampleOf(field.type, language);
  const described = describedBy(id, hint, fault);
  if (grouped.includes(field.type)) {
    return (
      <fieldset className="flex flex-col gap-1">
        <legend className="font-medium">
          {field.label}
          {!field.required && <span className="font-normal text-soft"> (may stay empty)</span>}
        </legend>
        {hint && (
          <p id={`${id}-hint`} className="text-soft">
            {hint}
          </p>
        )}
        <Suspense fallback={null}>
          <PartsInput
            id={id}
            field={field}
            value={value}
            onChange={onChange}
            describedBy={described}
            Datum={DatumInput}
          />
        </Suspense>
        {fault && (
          <p id={`${id}-fault`} className="text-oxide">
            {fault}
          </p>
        )}
      </fieldset>
    );
  }
  const shared = {
    id,
    ref: inputRef,
    className: inputLook,
    value,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
    ...described,
  };
  return (
    <Labelled
      id={id}
      label={field.label}
      fault={fault}
      required={field.required}
      {...(hint ? { hint } : {})}
    >
      {plainInput(field, shared)}
    </Labelled>
  );
}

function PartsInput(props: PartsProps) {
  switch (props.field.type) {
    case 'NAME':
      return <NameInput {...props} />;
    case 'ADDRESS':
      return <AddressInput {...props} />;
    case 'DATE_TIME':
      return <MomentInput {...props} />;
    case 'RICH_TEXT':
      return <RichInput {...props} />;
    case 'PICTURE':
      return <PictureInput {...props} />;
    default:
      return <ItemsInput {...props} />;
  }
}

function plainInput(field: Field, shared: Record<string, unknown>) {
  switch (field.type) {
    case 'LONG_TEXT':
      return <textarea rows={4} {...shared} />;
    case 'DATE':
      return <input type="date" {...shared} className={`${inputLook} max-w-52`} />;
    case 'MAIL_ADDRESS':
      return <input type="email" {...shared} />;
    case 'WEB_ADDRESS':
      return <input type="url" {...shared} />;
    case 'PHONE':
      return <input type="tel" {...shared} className={`${inputLook} max-w-72`} />;
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
