import { say } from '../../../messages/rooms';
import { inputLook } from '../../../ui/parts';
import { typeWords } from '../../../ui/words';
import type { Field } from '../bench';
import { Setting } from './parts';

/** What a field is called in the form. */
export function LabelSetting({
  field,
  onChange,
}: {
  field: Field;
  onChange: (part: Partial<Field>) => void;
}) {
  return (
    <Setting label={say('templates.label-in-the-form')}>
      <input
        className={inputLook}
        value={field.label}
        onChange={(event) => onChange({ label: event.target.value })}
      />
    </Setting>
  );
}

/** What kind of datum a field is. */
export function TypeSetting({
  field,
  onChange,
}: {
  field: Field;
  onChange: (part: Partial<Field>) => void;
}) {
  return (
    <Setting label={say('templates.type')}>
      <select
        className={inputLook}
        value={field.type}
        onChange={(event) => onChange({ type: event.target.value as Field['type'] })}
      >
        {Object.entries(typeWords).map(([type, words]) => (
          <option key={type} value={type}>
            {words}
          </option>
        ))}
      </select>
    </Setting>
  );
}
