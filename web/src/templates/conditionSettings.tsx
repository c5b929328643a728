import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';
import {
  among,
  Choosing,
  FieldSetting,
  settledOf,
  type Option,
  type SettingProps,
} from './settingParts';

type Condition = Schemas['ShownWhen'];

/** Always, or only when the party has answered another of its fields, with anything or with a certain answer. */
export function WhenInput({ field, onChange, ...props }: SettingProps) {
  return (
    <ConditionInput
      {...props}
      field={field}
      condition={field.when}
      title={say('templates.asked-for')}
      label={say('templates.when-asked-for', { called: props.called })}
      never={say('templates.always')}
      onCondition={(when) => onChange({ ...field, when })}
    />
  );
}

/** What may be left empty can be required when the party has answered another of its fields. */
export function RequiredWhenInput({ field, onChange, ...props }: SettingProps) {
  if (settledOf(field).required && !field.requiredWhen.field) return null;
  return (
    <ConditionInput
      {...props}
      field={field}
      condition={field.requiredWhen}
      title={say('templates.required-when')}
      label={say('templates.when-required', { called: props.called })}
      never={say('templates.never')}
      onCondition={(requiredWhen) => onChange({ ...field, requiredWhen })}
    />
  );
}

type ConditionProps = Omit<SettingProps, 'onChange'> & {
  condition: Condition;
  title: string;
  label: string;
  /** What is said where there is no condition. */
  never: string;
  onCondition: (condition: Condition) => void;
};

function ConditionInput({
  called,
  others,
  condition,
  title,
  label,
  never,
  onCondition,
}: ConditionProps) {
  if (!others.length && !condition.field) return null;
  const other = others.find((one) => one.name === condition.field);
  const options = other && (other.type.kind === 'tick' ? ['yes'] : settledOf(other).options);
  const typed = other && ['number', 'money'].includes(other.type.kind);
  const answerLabel = say('templates.answer-that-asks-for', {
    other: other?.label ?? condition.field,
    called,
  });
  const set = (answer: string) => onCondition({ ...condition, answer });
  return (
    <>
      <FieldSetting title={title}>
        <Choosing
          label={label}
          value={condition.field}
          options={[
            ['', never],
            ...others.map((one): Option => [one.name, say('templates.with', { field: one.label })]),
            ...(condition.field && !other
              ? [[condition.field, say('templates.with', { field: condition.field })] as Option]
              : []),
          ]}
          onChange={(next) => onCondition({ field: next, answer: '' })}
        />
      </FieldSetting>
      {condition.field && (!typed || condition.answer) && (
        <FieldSetting className="w-36" title={say('templates.answered-with')}>
          {options ? (
            <Choosing
              label={answerLabel}
              value={condition.answer}
              options={[['', say('templates.any-answer')], ...among(options, condition.answer)]}
              onChange={set}
            />
          ) : (
            <input
              className={inputLook}
              aria-label={answerLabel}
              placeholder={say('templates.any-answer')}
              value={condition.answer}
              onChange={(event) => set(event.target.value)}
            />
          )}
        </FieldSetting>
      )}
    </>
  );
}
