import type { Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { Button, inputLook } from '../../../ui/parts';
import { Setting } from './parts';

type Source = Schemas['Party']['who'];
type Person = Schemas['Person'];

const kinds: Record<Source['kind'], { called: string; usual: Source }> = {
  from_fields: {
    called: say('templates.comes-from-the-form'),
    usual: { kind: 'from_fields', nameField: '', mailField: '', phoneField: '' },
  },
  fixed: {
    called: say('templates.is-always-the-same-person'),
    usual: { kind: 'fixed', name: '', mail: '', phone: '' },
  },
  one_of: {
    called: say('templates.is-one-of-a-list'),
    usual: { kind: 'one_of', people: [{ name: '', mail: '', phone: '', language: '' }] },
  },
  who_sends: { called: say('templates.is-whoever-sends'), usual: { kind: 'who_sends' } },
  chosen_at_use: {
    called: say('templates.is-chosen-with-each-request'),
    usual: { kind: 'chosen_at_use' },
  },
};

/** How the person behind a role is found. */
export function PersonSourceInputs({
  source,
  fields,
  onChange,
}: {
  source: Source;
  fields: Schemas['Field'][];
  onChange: (source: Source) => void;
}) {
  return (
    <>
      <Setting label={say('templates.the-person')}>
        <select
          className={inputLook}
          value={source.kind}
          onChange={(event) => onChange(kinds[event.target.value as Source['kind']].usual)}
        >
          {Object.entries(kinds).map(([kind, { called }]) => (
            <option key={kind} value={kind}>
              {called}
            </option>
          ))}
        </select>
      </Setting>
      {source.kind === 'from_fields' && (
        <FromFields source={source} fields={fields} onChange={onChange} />
      )}
      {source.kind === 'fixed' && (
        <PersonInputs
          person={source}
          onChange={(part) => onChange({ ...source, ...part, kind: 'fixed' })}
        />
      )}
      {source.kind === 'one_of' && (
        <People
          people={source.people}
          onChange={(people) => onChange({ kind: 'one_of', people })}
        />
      )}
    </>
  );
}

function FromFields({
  source,
  fields,
  onChange,
}: {
  source: Schemas['FromFields'] & { kind: 'from_fields' };
  fields: Schemas['Field'][];
  onChange: (source: Source) => void;
}) {
  const labels = new Map(fields.map((field) => [field.name, field.label]));
  const names = [
    ...new Set([...labels.keys(), source.nameField, source.mailField, source.phoneField]),
  ].filter(Boolean);
  const field = (part: 'nameField' | 'mailField' | 'phoneField', label: string, none: string) => (
    <Setting label={label}>
      <select
        className={inputLook}
        value={source[part]}
        onChange={(event) => onChange({ ...source, [part]: event.target.value })}
      >
        <option value="">{none}</option>
        {names.map((name) => (
          <option key={name} value={name}>
            {labels.get(name) ?? name}
          </option>
        ))}
      </select>
    </Setting>
  );
  return (
    <>
      {field('nameField', say('templates.field-with-the-name'), say('templates.choose-a-field'))}
      {field(
        'mailField',
        say('templates.field-with-the-mail-address'),
        say('templates.choose-a-field'),
      )}
      {field('phoneField', say('templates.field-with-the-phone'), say('templates.no-phone'))}
    </>
  );
}

function PersonInputs({
  person,
  onChange,
}: {
  person: Pick<Person, 'name' | 'mail' | 'phone'>;
  onChange: (part: Partial<Pick<Person, 'name' | 'mail' | 'phone'>>) => void;
}) {
  return (
    <>
      <Setting label={say('templates.name')}>
        <input
          className={inputLook}
          value={person.name}
          onChange={(event) => onChange({ name: event.target.value })}
        />
      </Setting>
      <Setting label={say('templates.mail-address')}>
        <input
          type="email"
          className={inputLook}
          value={person.mail}
          onChange={(event) => onChange({ mail: event.target.value })}
        />
      </Setting>
    </>
  );
}

/** The people of whom it is one; the first is the usual one. */
function People({ people, onChange }: { people: Person[]; onChange: (people: Person[]) => void }) {
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="pb-1 text-soft">{say('templates.people-of-the-list')}</legend>
      {people.map((person, at) => (
        <div
          key={at}
          role="group"
          aria-label={say('templates.person-of-the-list', { number: at + 1 })}
          className="flex flex-col gap-1 border-l-2 border-rule pl-2"
        >
          <PersonInputs
            person={person}
            onChange={(part) =>
              onChange(people.map((one, i) => (i === at ? { ...one, ...part } : one)))
            }
          />
          <Button
            className="self-start"
            onClick={() => onChange(people.filter((_, i) => i !== at))}
          >
            {say('templates.remove-person', { number: at + 1 })}
          </Button>
        </div>
      ))}
      <Button
        className="self-start"
        onClick={() => onChange([...people, { name: '', mail: '', phone: '', language: '' }])}
      >
        {say('templates.add-a-person')}
      </Button>
    </fieldset>
  );
}
