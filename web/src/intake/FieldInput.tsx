import { lazy, Suspense, useContext } from 'react';
import { Controller, get, useFormContext } from 'react-hook-form';
import type { Catalogue, Code } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import { describedBy, inputLook, Labelled } from '../ui/parts';
import type { Answers, DatumProps, Field, PartsProps } from './inputProps';
import { DateInput } from './DateInput';
import { AddressInput, MomentInput, NameInput } from './PartInputs';
import { PictureInput } from './PictureInput';
import { FormLanguage, typedNumber } from './typing';

const RichInput = lazy(() => import('./RichInput'));
const ItemsInput = lazy(() => import('./ItemsInput'));

const examples: Partial<Record<Field['type'], Code>> = {
  WEB_ADDRESS: 'form.example-web',
  PHONE: 'form.example-phone',
};

function exampleOf(words: Catalogue, type: Field['type'], language: string): string | undefined {
  if (type === 'MONEY')
    return words.say('form.example-money', { number: typedNumber('12500.00', language) });
  if (type === 'NUMBER')
    return words.say('form.example-number', { number: typedNumber('1250.5', language) });
  const example = examples[type];
  return example && words.say(example);
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
        <div data-answer={field.name}>
          <DatumInput
            id={id}
            field={field}
            fault={fault}
            value={input.value ?? ''}
            inputRef={input.ref}
            onChange={input.onChange}
          />
        </div>
      )}
    />
  );
}

/** The input of one datum with its label, without the form around it. */
export function DatumInput({ id, field, fault, value, inputRef, onChange }: DatumProps) {
  const language = useContext(FormLanguage);
  const words = useSay();
  const hint = field.hint || exampleOf(words, field.type, language);
  const described = describedBy(id, hint, fault);
  if (grouped.includes(field.type)) {
    return (
      <fieldset className="flex flex-col gap-1">
        <legend className="font-medium">
          {field.label}
          {!field.required && (
            <span className="font-normal text-soft"> {words.say('yours.may-stay-empty')}</span>
          )}
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
      {field.type === 'DATE' ? (
        <DateInput
          id={id}
          value={value}
          onChange={onChange}
          language={language}
          inputRef={inputRef}
          described={described}
        />
      ) : (
        plainInput(words, field, shared)
      )}
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

function plainInput(words: Catalogue, field: Field, shared: Record<string, unknown>) {
  switch (field.type) {
    case 'LONG_TEXT':
      return <textarea rows={4} {...shared} />;
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
          <option value="">{words.say('form.choose')}</option>
          <option value="yes">{words.say('form.yes')}</option>
          <option value="no">{words.say('form.no')}</option>
        </select>
      );
    case 'CHOICE':
      return (
        <select {...shared}>
          <option value="">{words.say('form.choose')}</option>
          {field.choices.map((choice) => (
            <option key={choice} value={choice}>
              {choice}
            </option>
          ))}
        </select>
      );
    default:
      return <input {...shared} />;
  }
}
