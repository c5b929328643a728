import { kinds } from '../signingFields/kinds';
import { settingInputs, SizeInput } from './settingInputs';
import { settingProps, type SettingProps } from './settingParts';

/** What is settled about a signing field: its room on the page, and what its kind lets settle. */
export function SigningFieldInputs({
  content,
  field,
  called,
  onChange,
}: Omit<SettingProps, 'others'>) {
  const props = settingProps(content, field, called, onChange);
  return (
    <>
      <SizeInput side="widthMm" {...props} />
      <SizeInput side="heightMm" {...props} />
      {kinds[field.type.kind].settings.map((setting) => {
        const Input = settingInputs[setting];
        return <Input key={setting} {...props} />;
      })}
    </>
  );
}
