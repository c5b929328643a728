import type { ReactNode } from 'react';
import type { Schemas } from '../api/client';
import type { FieldType, Kind } from '../signingFields/kind';
import { kinds } from '../signingFields/kinds';
import { inputLook } from '../ui/parts';
import type { Settings } from './useTemplate';

type Field = Schemas['SigningField'];

/** A kind with whatever settings it may have; which it has, its own file says. */
export type Settled = { kind: Kind; size: Schemas['BoxSize'] } & Partial<
  Pick<Schemas['TextPlace'], 'required' | 'hint' | 'check' | 'preset'> &
    Pick<Schemas['ChoicePlace'], 'options' | 'spread'> &
    Pick<Schemas['NumberPlace'], 'whole' | 'least' | 'most'> &
    Pick<Schemas['TextPlace'], 'shortest' | 'longest' | 'pattern'> &
    Pick<Schemas['MoneyPlace'], 'currency'> &
    Pick<Schemas['WorkedOutPlace'], 'formula' | 'gives'> &
    Pick<Schemas['TickPlace'], 'statement'>
>;

export type SettingProps = {
  called: string;
  field: Field;
  /** The other fields that the same party is asked for. */
  others: Field[];
  /** What the field's content can come from, and who acts before. */
  content: Pick<Settings, 'fields' | 'parties' | 'signingFields'>;
  onChange: (field: Field) => void;
};

/** What a field's inputs need to know of the template. */
export function settingProps(
  content: SettingProps['content'],
  field: Field,
  called: string,
  onChange: (field: Field) => void,
): SettingProps {
  const others = content.signingFields.filter(
    (one) => one.party === field.party && one.name !== field.name && kinds[one.type.kind].asked,
  );
  return { content, field, called, others, onChange };
}

export function settledOf(field: Field): Settled {
  return field.type;
}

export function withPart(field: Field, part: Partial<Settled>): Field {
  return { ...field, type: { ...field.type, ...part } as FieldType };
}

export type Option = [value: string, said: string];

/** The answers that can be chosen, and the one that was chosen before it was taken away. */
export function among(options: string[], chosen: string): Option[] {
  const known = options.filter((one) => one.trim());
  return [...new Set(chosen ? [...known, chosen] : known)].map((one) => [one, one]);
}

export function Choosing(props: {
  label: string;
  value: string;
  options: Option[];
  onChange: (value: string) => void;
}) {
  return (
    <select
      className={inputLook}
      aria-label={props.label}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value)}
    >
      {props.options.map(([value, said]) => (
        <option key={value} value={value}>
          {said}
        </option>
      ))}
    </select>
  );
}

/** One setting under its name. */
export function FieldSetting({
  title,
  className = '',
  children,
}: {
  title: string;
  className?: string;
  children: ReactNode;
}) {
  return (
    <label className={`flex flex-col text-soft ${className}`}>
      <span className="setting-title">{title}</span>
      {children}
    </label>
  );
}
