import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { calledIn, kinds } from '../signingFields/kinds';
import { settingInputs, SizeInput, type SettingProps } from './signingFieldInputs';

type Field = Schemas['SigningField'];
type Props = { fields: Field[]; onChange: (fields: Field[]) => void };

/** What is settled about each of a party's signing fields: its room on the page, and what its kind lets settle. */
export function SigningFieldSettings({ fields, onChange }: Props) {
  const words = useSay();
  return (
    <ul className="flex flex-col gap-2">
      {fields.map((field) => {
        const props: SettingProps = {
          called: calledIn(words, field),
          field,
          others: fields.filter((one) => one !== field && kinds[one.type.kind].asked),
          onChange: (next) => onChange(fields.map((one) => (one === field ? next : one))),
        };
        return (
          <li key={field.name} className="flex gap-4 border-t border-rule pt-2">
            <span className="w-32 shrink-0 pt-6">{props.called}</span>
            <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
              <SizeInput side="widthMm" {...props} />
              <SizeInput side="heightMm" {...props} />
              {kinds[field.type.kind].settings.map((setting) => {
                const Input = settingInputs[setting];
                return <Input key={setting} {...props} />;
              })}
            </div>
          </li>
        );
      })}
    </ul>
  );
}
