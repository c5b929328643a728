import { useId } from 'react';
import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { kinds } from '../signingFields/kinds';
import { inputLook } from '../ui/parts';
import {
  Choosing,
  FieldSetting,
  settledOf,
  withPart,
  type Option,
  type SettingProps,
} from './settingParts';

type Field = Schemas['SigningField'];
type From = Schemas['ValueFrom'];

/** What stands in a field at first, or what it shows: a datum, or what an earlier party answered. */
export function SourceInput({ called, field, content, onChange }: SettingProps) {
  const { from } = field;
  const value = from.kind === 'NOTHING' ? '' : `${from.kind} ${from.name}`;
  const options: Option[] = [
    ['', say('templates.nothing-yet')],
    ...content.fields
      .filter(({ type }) => type !== 'ITEMS' && type !== 'PICTURE')
      .map(({ name, label }): Option => [`DATUM ${name}`, label]),
    ...earlier(content, field).map((one): Option => [
      `ANSWER ${one.name}`,
      say('templates.answer-of', { party: partyOf(content, one), field: one.label }),
    ]),
  ];
  const known = options.some(([key]) => key === value);
  return (
    <FieldSetting
      className="w-44"
      title={
        kinds[field.type.kind].asked ? say('templates.begins-with') : say('templates.what-it-shows')
      }
    >
      <Choosing
        label={say('templates.source-of', { called })}
        value={value}
        options={known ? options : [...options, [value, from.name]]}
        onChange={(next) => {
          const [kind = '', name = ''] = next.split(' ');
          onChange({
            ...field,
            from: { kind: (kind || 'NOTHING') as From['kind'], name, raw: '', printed: '' },
          });
        }}
      />
    </FieldSetting>
  );
}

/** What parties before a field's are asked for. */
function earlier({ signingFields, parties }: SettingProps['content'], field: Field): Field[] {
  const stage = (key: string) => parties.find((one) => one.key === key)?.stage ?? Infinity;
  return signingFields.filter(
    (one) => kinds[one.type.kind].asked && stage(one.party) < stage(field.party),
  );
}

const partyOf = ({ parties }: SettingProps['content'], { party }: Field) =>
  parties.find((one) => one.key === party)?.label ?? party;

/** Whether a field that stands several times is answered once, or shows another's answer. */
export function RepeatsInput({ called, field, others, onChange }: SettingProps) {
  const kin = others.filter((one) => one.type.kind === field.type.kind && !one.sameAs);
  const value = field.sameAs ? `SAME ${field.sameAs}` : field.repeats;
  const options: Option[] = [
    ['USUAL', say('templates.repeats-usual')],
    ['ONE_ANSWER', say('templates.repeats-one')],
    ['EACH_ITS_OWN', say('templates.repeats-each')],
    ...kin.map((one): Option => [
      `SAME ${one.name}`,
      say('templates.same-answer-as', { field: one.label }),
    ]),
  ];
  const known = options.some(([key]) => key === value);
  return (
    <FieldSetting className="w-52" title={say('templates.where-it-repeats')}>
      <Choosing
        label={say('templates.repeats-of', { called })}
        value={value}
        options={known ? options : [...options, [value, field.sameAs]]}
        onChange={(next) => {
          const [kind, name = ''] = next.split(' ');
          onChange(
            kind === 'SAME'
              ? { ...field, sameAs: name, repeats: 'USUAL' }
              : { ...field, sameAs: '', repeats: next as Field['repeats'] },
          );
        }}
      />
    </FieldSetting>
  );
}

/** A formula over the names of what this party and earlier ones answer. */
export function FormulaInput({ called, field, content, onChange }: SettingProps) {
  const id = useId();
  const names = [
    ...content.signingFields.filter(
      (one) => one.party === field.party && one.name !== field.name && kinds[one.type.kind].called,
    ),
    ...earlier(content, field),
  ];
  return (
    <FieldSetting className="w-72" title={say('templates.formula')}>
      <textarea
        rows={2}
        className={`${inputLook} font-mono text-sm`}
        aria-label={say('templates.formula-of', { called })}
        aria-describedby={id}
        value={settledOf(field).formula ?? ''}
        onChange={(event) => onChange(withPart(field, { formula: event.target.value }))}
      />
      <span id={id} className="text-soft">
        {names.length > 0
          ? say('templates.formula-names', {
              names: names.map((one) => `${one.name} (${one.label})`).join(', '),
            })
          : say('templates.formula-no-names')}
      </span>
    </FieldSetting>
  );
}

const results: Record<string, string> = {
  NUMBER: say('templates.number-kind'),
  MONEY: say('templates.money-kind'),
  DATE: say('templates.date-kind'),
  TEXT: say('templates.line-of-text'),
};

export function GivesInput({ called, field, onChange }: SettingProps) {
  return (
    <FieldSetting className="w-36" title={say('templates.gives')}>
      <Choosing
        label={say('templates.gives-of', { called })}
        value={settledOf(field).gives ?? 'NUMBER'}
        options={Object.entries(results)}
        onChange={(gives) =>
          onChange(withPart(field, { gives: gives as Schemas['WorkedOutPlace']['gives'] }))
        }
      />
    </FieldSetting>
  );
}
