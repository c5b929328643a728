import { Controller, useFormContext } from 'react-hook-form';
import type { Schemas } from '../api/client';
import type { Catalogue } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import { describedBy, inputLook, Labelled } from '../ui/parts';
import { FieldInput } from './FieldInput';

type Party = Schemas['ChosenParty'];
type Named = { people: Record<string, Schemas['PersonInput']> };

/** Who takes a part: named freely, or one of the people who are kept with the template. */
export function ChosenPerson({ party }: { party: Party }) {
  const words = useSay();
  return (
    <fieldset className="grid grid-cols-1 gap-3 border border-rule p-3 @md:grid-cols-2">
      <legend className="px-1 font-medium">
        {party.label}
        {party.optional && (
          <span className="font-normal text-soft"> {words.say('yours.may-stay-empty')}</span>
        )}
      </legend>
      {party.people.length > 0 ? (
        <OneOf party={party} />
      ) : (
        <>
          <FieldInput
            field={personField(words, party, 'name')}
            path={`people.${party.party}.name`}
          />
          <FieldInput
            field={personField(words, party, 'mail')}
            path={`people.${party.party}.mail`}
          />
          {party.phone && (
            <FieldInput
              field={personField(words, party, 'phone')}
              path={`people.${party.party}.phone`}
            />
          )}
        </>
      )}
    </fieldset>
  );
}

const keyOf = ({ name, mail }: Schemas['PersonInput']) => `${name} <${mail}>`;

/** The first of the list is the usual one, unless nobody need be named. */
function OneOf({ party }: { party: Party }) {
  const words = useSay();
  const { control, formState } = useFormContext<Named>();
  const path = `people.${party.party}` as const;
  const fault = formState.errors.people?.[party.party]?.name?.message;
  const usual = party.optional ? { name: '', mail: '', phone: null } : party.people[0];
  return (
    <Controller
      control={control}
      name={path}
      render={({ field: { value, onChange, ref } }) => (
        <Labelled id={path} label={words.say('form.person-name')} fault={fault}>
          <select
            id={path}
            ref={ref}
            className={inputLook}
            value={value?.name ? keyOf(value) : usual?.name ? keyOf(usual) : ''}
            {...describedBy(path, undefined, fault)}
            onChange={(event) =>
              onChange(
                party.people.find((one) => keyOf(one) === event.target.value) ?? {
                  name: '',
                  mail: '',
                  phone: null,
                },
              )
            }
          >
            {party.optional && <option value="">{words.say('party.nobody')}</option>}
            {party.people.map((one) => (
              <option key={keyOf(one)} value={keyOf(one)}>
                {keyOf(one)}
              </option>
            ))}
          </select>
        </Labelled>
      )}
    />
  );
}

function personField(
  words: Catalogue,
  party: Schemas['ChosenParty'],
  part: 'name' | 'mail' | 'phone',
): Schemas['Field'] {
  return {
    name: `${party.party}-${part}`,
    type: ({ name: 'TEXT', mail: 'MAIL_ADDRESS', phone: 'PHONE' } as const)[part],
    label: words.say(`form.person-${part}`),
    required: !party.optional,
    hint: part === 'phone' ? words.say('form.phone-person') : '',
    choices: [],
    items: [],
    initial: '',
    ownAnswer: false,
    files: { kinds: [], megabytes: 5 },
  };
}
