import type { Schemas } from '../api/client';
import { kinds } from '../signingFields/kinds';
import { settingInputs, SizeInput } from './settingInputs';
import type { SettingProps } from './settingParts';

type Field = Schemas['SigningField'];

/** What is settled about a signing field: its room on the page, and what its kind lets settle. */
export function SigningFieldInputs({
  field,
  called,
  among,
  onChange,
}: {
  field: Field;
  called: string;
  /** All fields of its party. */
  among: Field[];
  onChange: (field: Field) => void;
}) {
  const props: SettingProps = {
    called,
    field,
    others: among.filter((one) => one.name !== field.name && kinds[one.type.kind].asked),
    onChange,
  };
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
