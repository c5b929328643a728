import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { describedBy, inputLook, Labelled } from '../ui/parts';

/** Who asks, where the form's own questions don't say it. */
export function AskerInputs({
  name,
  mail,
  asker,
  faults,
  onChange,
}: {
  /** Whether the name is asked for, and the mail address. */
  name: boolean;
  mail: boolean;
  asker: Schemas['Asker'];
  faults: Record<string, string>;
  onChange: (asker: Schemas['Asker']) => void;
}) {
  const words = useSay();
  if (!name && !mail) return null;
  return (
    <fieldset className="grid grid-cols-1 gap-4 border-t border-rule pt-3 @md:grid-cols-2">
      <legend className="pr-3 font-serif text-lg">{words.say('ask.who')}</legend>
      {name && (
        <Labelled id="asker-name" label={words.say('ask.your-name')} fault={faults['name']}>
          <input
            id="asker-name"
            className={inputLook}
            autoComplete="name"
            value={asker.name}
            onChange={(event) => onChange({ ...asker, name: event.target.value })}
            {...describedBy('asker-name', undefined, faults['name'])}
          />
        </Labelled>
      )}
      {mail && (
        <Labelled id="asker-mail" label={words.say('ask.your-mail')} fault={faults['mail']}>
          <input
            id="asker-mail"
            type="email"
            className={inputLook}
            autoComplete="email"
            value={asker.mail}
            onChange={(event) => onChange({ ...asker, mail: event.target.value })}
            {...describedBy('asker-mail', undefined, faults['mail'])}
          />
        </Labelled>
      )}
    </fieldset>
  );
}
