import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import { calledIn, kinds } from '../signingFields/kinds';
import { inputLook } from '../ui/parts';

type Field = Schemas['SigningField'];
type Text = Extract<Field['type'], { kind: 'text' }>;

const checks: Record<Text['check'], string> = {
  ANY: say('templates.any-text'),
  MAIL_ADDRESS: say('templates.mail-address'),
  WEB_ADDRESS: say('templates.web-address'),
  PHONE: say('templates.telephone-number'),
};

type Props = { fields: Field[]; onChange: (fields: Field[]) => void };

/** What is settled about each of a party's signing fields: its room on the page, and for what is typed, how. */
export function SigningFieldSettings({ fields, onChange }: Props) {
  const words = useSay();
  const put = (field: Field, type: Field['type']) =>
    onChange(fields.map((one) => (one === field ? { ...one, type } : one)));
  return (
    <ul className="flex flex-col gap-2">
      {fields.map((field) => {
        const { settings } = kinds[field.type.kind];
        const called = calledIn(words, field);
        return (
          <li
            key={field.name}
            className="flex flex-wrap items-end gap-x-4 gap-y-1 border-t border-rule pt-2"
          >
            <span className="w-44">{called}</span>
            {(['widthMm', 'heightMm'] as const).map((side) => (
              <label key={side} className="flex w-24 flex-col text-soft">
                {side === 'widthMm' ? say('templates.width-in-mm') : say('templates.height-in-mm')}
                <input
                  type="number"
                  step="0.5"
                  className={inputLook}
                  aria-label={
                    side === 'widthMm'
                      ? say('templates.width-of', { called })
                      : say('templates.height-of', { called })
                  }
                  value={field.type.size[side]}
                  onChange={(event) =>
                    put(field, {
                      ...field.type,
                      size: { ...field.type.size, [side]: Number(event.target.value) },
                    })
                  }
                />
              </label>
            ))}
            {field.type.kind === 'text' && settings.length > 0 && (
              <TextSettings
                type={field.type}
                called={called}
                onChange={(type) => put(field, type)}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function TextSettings({
  type,
  called,
  onChange,
}: {
  type: Text;
  called: string;
  onChange: (type: Text) => void;
}) {
  return (
    <>
      <label className="flex flex-col text-soft">
        {say('templates.has-to-be')}
        <select
          className={inputLook}
          aria-label={say('templates.what-has-to-be', { called })}
          value={type.check}
          onChange={(event) => onChange({ ...type, check: event.target.value as Text['check'] })}
        >
          {Object.entries(checks).map(([check, said]) => (
            <option key={check} value={check}>
              {said}
            </option>
          ))}
        </select>
      </label>
      {(['hint', 'preset'] as const).map((part) => (
        <label key={part} className="flex flex-col text-soft">
          {part === 'hint' ? say('templates.hint') : say('templates.stands-there-at-first')}
          <input
            className={inputLook}
            aria-label={
              part === 'hint'
                ? say('templates.hint-of', { called })
                : say('templates.first-content-of', { called })
            }
            value={type[part]}
            onChange={(event) => onChange({ ...type, [part]: event.target.value })}
          />
        </label>
      ))}
      <label className="flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          checked={type.required}
          onChange={(event) => onChange({ ...type, required: event.target.checked })}
        />
        {say('templates.required')}
        <span className="sr-only">{called}</span>
      </label>
    </>
  );
}
