import { kinds } from '../signingFields/kinds';
import type { AskedProps } from '../signingFields/kind';
import { Labelled } from '../ui/parts';
import type { Asked, Filling } from './filling';

/** One question with its input; the same one may stand in the list, in the text and on the page. */
export function AskedField({ one, at, filling }: { one: Asked; at: string; filling: Filling }) {
  const id = at + one.name;
  const fault = filling.faults[one.name];
  return (
    <Labelled
      id={id}
      label={one.label}
      required={filling.required.includes(one)}
      hint={kinds[one.type.kind].asked?.hint(one.type) || undefined}
      fault={fault}
    >
      <Input
        id={id}
        label={one.label}
        type={one.type}
        value={filling.values[one.name] ?? ''}
        fault={fault}
        onChange={(value) => filling.set(one.name, value)}
      />
    </Labelled>
  );
}

function Input(props: AskedProps) {
  const Kind = kinds[props.type.kind].asked?.Input;
  return Kind ? <Kind {...props} /> : null;
}
