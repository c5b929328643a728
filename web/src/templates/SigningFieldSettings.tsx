import { useId, useState } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import type { FieldType, Setting } from '../signingFields/kind';
import { calledIn, kinds } from '../signingFields/kinds';
import { inputLook } from '../ui/parts';

type Field = Schemas['SigningField'];
type Check = Schemas['TextPlace']['check'];
/** A kind with whatever settings it may have; which it has, its own file says. */
type Settled = FieldType & Partial<Pick<Schemas['TextPlace'], Setting>>;
type SettingProps = { called: string; type: Settled; onChange: (type: Settled) => void };

const checks: Record<Check, string> = {
  ANY: say('templates.any-text'),
  MAIL_ADDRESS: say('templates.mail-address'),
  WEB_ADDRESS: say('templates.web-address'),
  PHONE: say('templates.telephone-number'),
};

type Props = { fields: Field[]; onChange: (fields: Field[]) => void };

/** What is settled about each of a party's signing fields: its room on the page, and what its kind lets settle. */
export function SigningFieldSettings({ fields, onChange }: Props) {
  const words = useSay();
  return (
    <ul className="flex flex-col gap-2">
      {fields.map((field) => {
        const props: SettingProps = {
          called: calledIn(words, field),
          type: field.type,
          onChange: (type) =>
            onChange(fields.map((one) => (one === field ? { ...one, type } : one))),
        };
        return (
          <li
            key={field.name}
            className="flex flex-wrap items-end gap-x-4 gap-y-1 border-t border-rule pt-2"
          >
            <span className="w-32">{props.called}</span>
            <SizeInput side="widthMm" {...props} />
            <SizeInput side="heightMm" {...props} />
            {kinds[field.type.kind].settings.map((setting) => {
              const Input = inputs[setting];
              return <Input key={setting} {...props} />;
            })}
          </li>
        );
      })}
    </ul>
  );
}

/** One side of a field's room; what is half typed stays in the input until it is a size. */
function SizeInput({
  side,
  called,
  type,
  onChange,
}: SettingProps & { side: keyof Schemas['BoxSize'] }) {
  const [typed, setTyped] = useState<string>();
  const width = side === 'widthMm';
  return (
    <label className="flex w-24 flex-col text-soft">
      {width ? say('templates.width-in-mm') : say('templates.height-in-mm')}
      <input
        type="number"
        step="0.5"
        min="1"
        className={inputLook}
        aria-label={
          width ? say('templates.width-of', { called }) : say('templates.height-of', { called })
        }
        value={typed ?? type.size[side]}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          const { value, valueAsNumber } = event.target;
          setTyped(value);
          if (valueAsNumber > 0)
            onChange({ ...type, size: { ...type.size, [side]: valueAsNumber } });
        }}
      />
    </label>
  );
}

function CheckInput({ called, type, onChange }: SettingProps) {
  return (
    <label className="flex flex-col text-soft">
      {say('templates.has-to-be')}
      <select
        className={inputLook}
        aria-label={say('templates.what-has-to-be', { called })}
        value={type.check}
        onChange={(event) => onChange({ ...type, check: event.target.value as Check })}
      >
        {Object.entries(checks).map(([check, said]) => (
          <option key={check} value={check}>
            {said}
          </option>
        ))}
      </select>
    </label>
  );
}

function HintInput({ called, type, onChange }: SettingProps) {
  return (
    <label className="flex w-36 flex-col text-soft">
      {say('templates.hint')}
      <input
        className={inputLook}
        aria-label={say('templates.hint-of', { called })}
        value={type.hint}
        onChange={(event) => onChange({ ...type, hint: event.target.value })}
      />
    </label>
  );
}

function PresetInput({ called, type, onChange }: SettingProps) {
  return (
    <label className="flex w-36 flex-col text-soft">
      {say('templates.stands-there-at-first')}
      <input
        className={inputLook}
        aria-label={say('templates.first-content-of', { called })}
        value={type.preset}
        onChange={(event) => onChange({ ...type, preset: event.target.value })}
      />
    </label>
  );
}

function RequiredInput({ called, type, onChange }: SettingProps) {
  const id = useId();
  return (
    <label htmlFor={id} className="flex min-h-9 items-center gap-2">
      <input
        id={id}
        type="checkbox"
        checked={type.required}
        onChange={(event) => onChange({ ...type, required: event.target.checked })}
      />
      {say('templates.required')}
      <span className="sr-only">{called}</span>
    </label>
  );
}

const inputs: Record<Setting, (props: SettingProps) => React.ReactElement> = {
  check: CheckInput,
  hint: HintInput,
  preset: PresetInput,
  required: RequiredInput,
};
