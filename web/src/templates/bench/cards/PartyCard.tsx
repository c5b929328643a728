import type { Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { Button, inputLook } from '../../../ui/parts';
import { dutyWords } from '../../../ui/words';
import type { Bench } from '../bench';
import { Setting, tagOf } from './parts';

type Party = Schemas['PartyView'];

const whoWords: Record<Party['who'], string> = {
  FROM_FIELDS: say('templates.comes-from-the-form'),
  FIXED: say('templates.is-always-the-same-person'),
  CHOSEN_AT_USE: say('templates.is-chosen-with-each-request'),
};

/** Who acts: what they are called, their duty and place in the order, and how the person is found. */
export function PartyCard({
  bench: { settings, fixed, change },
  party,
  onRemoved,
}: {
  bench: Bench;
  party: Party;
  onRemoved: () => void;
}) {
  const set = (part: Partial<Party>) =>
    change({
      ...settings,
      parties: settings.parties.map((one) => (one.key === party.key ? { ...one, ...part } : one)),
    });
  const hasFields = settings.signingFields.some((field) => field.party === party.key);
  return (
    <fieldset
      disabled={fixed}
      aria-label={say('templates.party', { label: party.label })}
      className="flex min-w-0 flex-col gap-2"
    >
      <Setting label={say('templates.called')}>
        <input
          className={inputLook}
          value={party.label}
          onChange={(event) => set({ label: event.target.value })}
        />
      </Setting>
      <div className="grid grid-cols-[minmax(0,1fr)_5rem] gap-3">
        <Setting label={say('templates.duty')}>
          <select
            className={inputLook}
            value={party.duty}
            onChange={(event) => set({ duty: event.target.value as Party['duty'] })}
          >
            {Object.entries(dutyWords).map(([duty, words]) => (
              <option key={duty} value={duty}>
                {words}
              </option>
            ))}
          </select>
        </Setting>
        <Setting label={say('templates.stage')}>
          <input
            type="number"
            min={1}
            max={20}
            className={inputLook}
            value={party.stage}
            onChange={(event) => set({ stage: Number(event.target.value) || 1 })}
          />
        </Setting>
      </div>
      <Setting label={say('templates.the-person')}>
        <select
          className={inputLook}
          value={party.who}
          onChange={(event) =>
            set({ who: event.target.value as Party['who'], first: '', second: '' })
          }
        >
          {Object.entries(whoWords).map(([who, words]) => (
            <option key={who} value={who}>
              {words}
            </option>
          ))}
        </select>
      </Setting>
      <Person party={party} fields={settings.fields} onChange={set} />
      <p className="text-soft">
        {hasFields
          ? say('templates.same-stage-same-time')
          : say('templates.no-field-in-the-wording')}{' '}
        <code>{tagOf(party.key, 'signature')}</code>
      </p>
      {!hasFields && !fixed && (
        <Button
          className="self-start"
          onClick={() => {
            change({
              ...settings,
              parties: settings.parties.filter((one) => one.key !== party.key),
            });
            onRemoved();
          }}
        >
          {say('templates.remove-party', { label: party.label })}
        </Button>
      )}
    </fieldset>
  );
}

function Person({
  party,
  fields,
  onChange,
}: {
  party: Party;
  fields: Schemas['Field'][];
  onChange: (part: Partial<Party>) => void;
}) {
  if (party.who === 'CHOSEN_AT_USE') return null;
  if (party.who === 'FIXED') {
    return (
      <>
        <Setting label={say('templates.name')}>
          <input
            className={inputLook}
            value={party.first}
            onChange={(event) => onChange({ first: event.target.value })}
          />
        </Setting>
        <Setting label={say('templates.mail-address')}>
          <input
            type="email"
            className={inputLook}
            value={party.second}
            onChange={(event) => onChange({ second: event.target.value })}
          />
        </Setting>
      </>
    );
  }
  const labels = new Map(fields.map((field) => [field.name, field.label]));
  const names = [...new Set([...labels.keys(), party.first, party.second])].filter(Boolean);
  return (['first', 'second'] as const).map((which) => (
    <Setting
      key={which}
      label={
        which === 'first'
          ? say('templates.field-with-the-name')
          : say('templates.field-with-the-mail-address')
      }
    >
      <select
        className={inputLook}
        value={party[which]}
        onChange={(event) => onChange({ [which]: event.target.value })}
      >
        <option value="">{say('templates.choose-a-field')}</option>
        {names.map((name) => (
          <option key={name} value={name}>
            {labels.get(name) ?? name}
          </option>
        ))}
      </select>
    </Setting>
  ));
}
