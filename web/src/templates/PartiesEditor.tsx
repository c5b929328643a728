import { say } from '../messages/rooms';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { Blind } from '../blind/Blind';
import { useSay } from '../messages/useSay';
import { calledIn } from '../signingFields/kinds';
import { Ordinal } from '../page/weave';
import { Button, inputLook } from '../ui/parts';
import { dutyWords } from '../ui/words';
import { SigningFieldSettings } from './SigningFieldSettings';

type Party = Schemas['PartyView'];

const whoWords: Record<Party['who'], string> = {
  FROM_FIELDS: say('templates.comes-from-the-form'),
  FIXED: say('templates.is-always-the-same-person'),
  CHOSEN_AT_USE: say('templates.is-chosen-with-each-request'),
};

/** Who acts: duty, place in the order, and how the person is found. */
export function PartiesEditor({
  settings,
  fixed,
  onChange,
  onFields,
}: {
  settings: Schemas['TemplateSettings'];
  fixed: boolean;
  onChange: (parties: Party[]) => void;
  onFields: (fields: Schemas['SigningField'][]) => void;
}) {
  const words = useSay();
  const { parties, signingFields } = settings;
  const own = (party: Party) => signingFields.filter((field) => field.party === party.key);
  const change = (at: number, part: Partial<Party>) =>
    onChange(parties.map((party, i) => (i === at ? { ...party, ...part } : party)));
  const slats = parties
    .filter((party) => party.duty !== 'RECEIVES_COPY')
    .map((party) => ({
      party: party.key,
      label: party.label,
      name: '',
      duty: party.duty,
      stage: party.stage,
      standing: 'OPEN' as const,
      since: null,
    }));
  return (
    <div className="flex gap-8">
      <div className="flex grow flex-col gap-3">
        {parties.map((party, i) => (
          <fieldset key={party.key} disabled={fixed} className="border border-rule bg-sheet p-4">
            <legend className="flex items-center gap-2 px-1">
              <Ordinal ordinal={i + 1} /> <span className="font-mono">{party.key}</span>
            </legend>
            <div className="grid grid-cols-[1fr_1fr_5rem_1fr] gap-3">
              <Setting label={say('templates.called')}>
                <input
                  className={inputLook}
                  value={party.label}
                  onChange={(event) => change(i, { label: event.target.value })}
                />
              </Setting>
              <Setting label={say('templates.duty')}>
                <select
                  className={inputLook}
                  value={party.duty}
                  onChange={(event) => change(i, { duty: event.target.value as Party['duty'] })}
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
                  onChange={(event) => change(i, { stage: Number(event.target.value) || 1 })}
                />
              </Setting>
              <Setting label={say('templates.the-person')}>
                <select
                  className={inputLook}
                  value={party.who}
                  onChange={(event) =>
                    change(i, { who: event.target.value as Party['who'], first: '', second: '' })
                  }
                >
                  {Object.entries(whoWords).map(([who, words]) => (
                    <option key={who} value={who}>
                      {words}
                    </option>
                  ))}
                </select>
              </Setting>
              <Person party={party} fields={settings.fields} onChange={(part) => change(i, part)} />
            </div>
            <div className="flex items-center pt-3">
              <div className="mr-auto text-soft">
                {own(party).length ? (
                  <details>
                    <summary className="min-h-6 cursor-pointer">
                      {say('templates.fields-in-the-wording', {
                        fields: own(party)
                          .map((field) => calledIn(words, field))
                          .join(', '),
                      })}
                    </summary>
                    <SigningFieldSettings
                      fields={own(party)}
                      onChange={(next) =>
                        onFields(
                          signingFields.map(
                            (field) => next.find((one) => one.name === field.name) ?? field,
                          ),
                        )
                      }
                    />
                  </details>
                ) : (
                  say('templates.no-field-in-the-wording')
                )}
              </div>
              {!signingFields.some((field) => field.party === party.key) && (
                <Button onClick={() => onChange(parties.filter((one) => one !== party))}>
                  {say('templates.remove-party', { label: party.label })}
                </Button>
              )}
            </div>
          </fieldset>
        ))}
        {!fixed && <AddParty parties={parties} onAdd={(party) => onChange([...parties, party])} />}
      </div>
      <aside className="w-56 shrink-0">
        <h2 className="pb-2 text-lg">{say('templates.the-route')}</h2>
        <Blind slats={slats} width={190} height={Math.max(40, slats.length * 26)} />
        <p className="pt-2 text-soft">{say('templates.from-the-top-down-parties')}</p>
      </aside>
    </div>
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
            onChange={(e) => onChange({ first: e.target.value })}
          />
        </Setting>
        <Setting label={say('templates.mail-address')}>
          <input
            type="email"
            className={inputLook}
            value={party.second}
            onChange={(e) => onChange({ second: e.target.value })}
          />
        </Setting>
      </>
    );
  }
  const names = [
    ...new Set([...fields.map((field) => field.name), party.first, party.second]),
  ].filter(Boolean);
  return (
    <>
      {(['first', 'second'] as const).map((which) => (
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
                {name}
              </option>
            ))}
          </select>
        </Setting>
      ))}
    </>
  );
}

function AddParty({ parties, onAdd }: { parties: Party[]; onAdd: (party: Party) => void }) {
  const [key, setKey] = useState('');
  const good = /^[a-z][a-z0-9_]{0,40}$/.test(key) && !parties.some((party) => party.key === key);
  return (
    <div className="flex items-end gap-3">
      <Setting label={say('templates.add-a-party-with-the')}>
        <input className={inputLook} value={key} onChange={(event) => setKey(event.target.value)} />
      </Setting>
      <Button
        disabled={!good}
        onClick={() => {
          const label = key.charAt(0).toUpperCase() + key.slice(1).replaceAll('_', ' ');
          onAdd({
            key,
            label,
            duty: 'COMPLETES',
            stage: 1,
            who: 'CHOSEN_AT_USE',
            first: '',
            second: '',
          });
          setKey('');
        }}
      >
        {say('templates.add-the-party')}
      </Button>
      <p className="text-soft">{say('templates.small-letters-digits-and-the')}</p>
    </div>
  );
}

function Setting({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-soft">{label}</span>
      {children}
    </label>
  );
}
