import { lazy, Suspense, useContext, type ReactNode } from 'react';
import { Controller, get, useFormContext } from 'react-hook-form';
import type { Catalogue, Code } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import { describedBy, inputLook, Labelled } from '../ui/parts';
import type { Answers, DatumProps, Field, PartsProps } from './inputProps';
import { ChoiceInput } from './ChoiceInput';
import { DateInput } from './DateInput';
import { FileInput } from './FileInput';
import { useFormWords } from './formWords';
import type { AnswerFault } from './itemFaults';
import { TickInput } from './TickInput';
import { AddressInput, MomentInput, NameInput } from './PartInputs';
import { PictureInput } from './PictureInput';
import { FormFixed, FormLanguage, typedNumber } from './typing';

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

const grouped: Field['type'][] = [
  'NAME',
  'ADDRESS',
  'DATE_TIME',
  'RICH_TEXT',
  'PICTURE',
  'FILE',
  'ITEMS',
];

/** Inputs of one line or more, which a browser lets be read without being typed into. */
const lines: Field['type'][] = [
  'TEXT',
  'LONG_TEXT',
  'MAIL_ADDRESS',
  'WEB_ADDRESS',
  'PHONE',
  'NUMBER',
  'MONEY',
];

/** What can only be read, where the browser has no input of that kind. */
function Untyped({ on, children }: { on: boolean | undefined; children: ReactNode }) {
  if (!on) return children;
  return (
    <fieldset disabled className="contents">
      <FormFixed.Provider value={true}>{children}</FormFixed.Provider>
    </fieldset>
  );
}

/** One question of a form, by the type of its datum. */
export function FieldInput({
  field,
  path,
  asked,
}: {
  field: Field;
  path?: string;
  asked?: DatumProps['asked'];
}) {
  const { control, formState, clearErrors } = useFormContext<Answers>();
  const name = (path ?? `values.${field.name}`) as `values.${string}`;
  const id = `field-${field.name}`;
  const fault = get(formState.errors, name) as Partial<AnswerFault> | undefined;
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
            fault={fault?.message}
            within={fault?.types}
            onArrange={() => clearErrors(name)}
            value={input.value ?? ''}
            inputRef={input.ref}
            onChange={input.onChange}
            asked={asked}
          />
        </div>
      )}
    />
  );
}

/** The input of one datum with its label, without the form around it. */
export function DatumInput(props: DatumProps) {
  const { id, field, fault, within, onArrange, value, inputRef, onChange, asked } = props;
  const language = useContext(FormLanguage);
  const words = useSay();
  const text = useFormWords();
  const label = text(field.label);
  const hint =
    text(field.hint) || (asked?.placeholder ? undefined : exampleOf(words, field.type, language));
  if (field.type === 'YES_NO' && asked?.tick)
    return (
      <Untyped on={asked.readOnly}>
        <TickInput {...props} />
      </Untyped>
    );
  const described = describedBy(id, hint, fault);
  if (grouped.includes(field.type)) {
    return (
      <fieldset className="flex flex-col gap-1">
        <legend className="font-medium">
          {label}
          {!field.required && (
            <span className="font-normal text-soft"> {words.say('yours.may-stay-empty')}</span>
          )}
        </legend>
        {hint && (
          <p id={`${id}-hint`} className="text-soft">
            {hint}
          </p>
        )}
        <Untyped on={asked?.readOnly}>
          <Suspense fallback={null}>
            <PartsInput
              id={id}
              field={field}
              value={value}
              onChange={onChange}
              within={within}
              onArrange={onArrange}
              describedBy={described}
              Datum={DatumInput}
            />
          </Suspense>
        </Untyped>
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
    ...(lines.includes(field.type)
      ? { placeholder: text(asked?.placeholder ?? '') || undefined, readOnly: asked?.readOnly }
      : {}),
    ...described,
  };
  return (
    <Labelled
      id={id}
      label={label}
      fault={fault}
      required={field.required}
      {...(hint ? { hint } : {})}
    >
      <Untyped on={asked?.readOnly && !lines.includes(field.type)}>
        {field.type === 'DATE' ? (
          <DateInput
            id={id}
            value={value}
            onChange={onChange}
            language={language}
            inputRef={inputRef}
            described={described}
          />
        ) : field.type === 'CHOICE' ? (
          <ChoiceInput field={field} value={value} onChange={onChange} shared={shared} />
        ) : (
          plainInput(words, field, shared)
        )}
      </Untyped>
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
    case 'FILE':
      return <FileInput {...props} />;
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
    default:
      return <input {...shared} />;
  }
}
