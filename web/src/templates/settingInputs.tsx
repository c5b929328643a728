import { useId, useState, type ReactElement } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { Kind, Setting as SettingName } from '../signingFields/kind';
import { TODAY } from '../signingFields/date';
import { kinds, settledKinds } from '../signingFields/kinds';
import { inputLook } from '../ui/parts';
import {
  among,
  Choosing,
  FieldSetting,
  settledOf,
  withPart,
  type Option,
  type SettingProps,
} from './settingParts';
import { RequiredWhenInput, WhenInput } from './conditionSettings';
import { FormulaInput, GivesInput, RepeatsInput, SourceInput } from './sourceSettings';
import {
  CurrencyInput,
  LengthsInput,
  LimitsInput,
  PatternInput,
  SpreadInput,
  StatementInput,
  WholeInput,
} from './valueSettings';

type Check = Schemas['TextPlace']['check'];
const checks: Record<Check, string> = {
  ANY: say('templates.any-text'),
  MAIL_ADDRESS: say('templates.mail-address'),
  WEB_ADDRESS: say('templates.web-address'),
  PHONE: say('templates.telephone-number'),
};

/** One side of a field's room; what is half typed stays in the input until it is a size. */
export function SizeInput({
  side,
  called,
  field,
  onChange,
}: SettingProps & { side: keyof Schemas['BoxSize'] }) {
  const [typed, setTyped] = useState<string>();
  const { size } = field.type;
  const width = side === 'widthMm';
  return (
    <FieldSetting
      className="w-24"
      title={width ? say('templates.width-in-mm') : say('templates.height-in-mm')}
    >
      <input
        type="number"
        step="0.5"
        min="1"
        className={inputLook}
        aria-label={
          width ? say('templates.width-of', { called }) : say('templates.height-of', { called })
        }
        value={typed ?? size[side]}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          const { value, valueAsNumber } = event.target;
          setTyped(value);
          if (valueAsNumber > 0)
            onChange(withPart(field, { size: { ...size, [side]: valueAsNumber } }));
        }}
      />
    </FieldSetting>
  );
}

const none: Schemas['ShownWhen'] = { field: '', answer: '' };

/** What a participant is asked for may take several forms; what both have in common stays. */
function KindInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting title={say('templates.kind')}>
      <Choosing
        label={say('templates.kind-of', { called })}
        value={field.type.kind}
        options={settledKinds.map((kind) => {
          const code = kinds[kind].called;
          return [kind, code ? say(code) : kind];
        })}
        onChange={(kind) => {
          const { asked, usual } = kinds[kind as Kind];
          const { required = true, hint = '' } = settledOf(field);
          const type = usual?.(field.type.size);
          if (!type) return;
          onChange(
            asked
              ? withPart({ ...field, type, sameAs: '' }, { required, hint })
              : { ...field, type, sameAs: '', when: none, requiredWhen: none },
          );
        }}
      />
    </FieldSetting>
  );
}

function CheckInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting title={say('templates.has-to-be')}>
      <Choosing
        label={say('templates.what-has-to-be', { called })}
        value={settledOf(field).check ?? 'ANY'}
        options={Object.entries(checks)}
        onChange={(check) => onChange(withPart(field, { check: check as Check }))}
      />
    </FieldSetting>
  );
}

function HintInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting className="w-52" title={say('templates.hint')}>
      <input
        className={inputLook}
        aria-label={say('templates.hint-of', { called })}
        value={settledOf(field).hint}
        onChange={(event) => onChange(withPart(field, { hint: event.target.value }))}
      />
    </FieldSetting>
  );
}

function OptionsInput({ called, field, onChange }: SettingProps) {
  const options = settledOf(field).options ?? [];
  return (
    <FieldSetting className="w-44" title={say('templates.answers-one-a-line')}>
      <textarea
        rows={3}
        className={inputLook}
        aria-label={say('templates.answers-of', { called })}
        value={options.join('\n')}
        onChange={(event) =>
          onChange(
            withPart(field, { options: event.target.value ? event.target.value.split('\n') : [] }),
          )
        }
        onBlur={() =>
          onChange(
            withPart(field, { options: options.map((one) => one.trim()).filter((one) => one) }),
          )
        }
      />
    </FieldSetting>
  );
}

function PresetInput({ called, field, onChange }: SettingProps) {
  const { preset = '', options } = settledOf(field);
  const label = say('templates.first-content-of', { called });
  const set = (next: string) => onChange(withPart(field, { preset: next }));
  return (
    <FieldSetting className="w-36" title={say('templates.stands-there-at-first')}>
      {field.type.kind === 'date' ? (
        <Choosing
          label={label}
          value={preset}
          options={[
            ['', say('templates.nothing-yet')],
            [TODAY, say('templates.the-day-of-opening')],
            ...(preset && preset !== TODAY ? [[preset, preset] as Option] : []),
          ]}
          onChange={set}
        />
      ) : options ? (
        <Choosing
          label={label}
          value={preset}
          options={[['', say('templates.nothing-yet')], ...among(options, preset)]}
          onChange={set}
        />
      ) : field.type.kind === 'lines' ? (
        <textarea
          rows={3}
          className={inputLook}
          aria-label={label}
          value={preset}
          onChange={(event) => set(event.target.value)}
        />
      ) : (
        <input
          className={inputLook}
          aria-label={label}
          value={preset}
          onChange={(event) => set(event.target.value)}
        />
      )}
    </FieldSetting>
  );
}

function RequiredInput({ called, field, onChange }: SettingProps) {
  const id = useId();
  return (
    <label htmlFor={id} className="flex min-h-9 items-center gap-2 self-end">
      <input
        id={id}
        type="checkbox"
        checked={settledOf(field).required}
        onChange={(event) => onChange(withPart(field, { required: event.target.checked }))}
      />
      <span className="setting-title">{say('templates.required')}</span>
      <span className="sr-only">{called}</span>
    </label>
  );
}

export const settingInputs: Record<SettingName, (props: SettingProps) => ReactElement | null> = {
  kind: KindInput,
  check: CheckInput,
  hint: HintInput,
  options: OptionsInput,
  preset: PresetInput,
  spread: SpreadInput,
  whole: WholeInput,
  limits: LimitsInput,
  statement: StatementInput,
  required: RequiredInput,
  when: WhenInput,
  requiredWhen: RequiredWhenInput,
  source: SourceInput,
  repeats: RepeatsInput,
  lengths: LengthsInput,
  pattern: PatternInput,
  currency: CurrencyInput,
  formula: FormulaInput,
  gives: GivesInput,
};
