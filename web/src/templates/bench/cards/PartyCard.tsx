import { answer, api, type Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { Button, inputLook, Trouble } from '../../../ui/parts';
import { dutyWords, identityWords } from '../../../ui/words';
import { useDraftAct } from '../../useDraftAct';
import type { Bench } from '../bench';
import { beforeSigners, completesLate } from '../routeOrder';
import { Setting, tagOf } from './parts';
import { PersonSourceInputs } from './PersonSourceInputs';
import { SpokenOptions } from '../../../ui/SpokenOptions';

type Party = Schemas['Party'];

/** Who acts: what they are called, their duty, when they take part, and how the person is found and spoken to. */
export function PartyCard({
  bench,
  party,
  onRemoved,
}: {
  bench: Bench;
  party: Party;
  onRemoved: () => void;
}) {
  const { settings, fixed, change } = bench;
  const set = (part: Partial<Party>) =>
    change({
      ...settings,
      parties: settings.parties.map((one) => (one.key === party.key ? { ...one, ...part } : one)),
    });
  const inWords = settings.documents.some(
    ({ id, kind }) => id === bench.document && kind === 'WORDING',
  );
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
      {completesLate(settings.parties, party) && !fixed && (
        <Button
          className="self-start"
          onClick={() =>
            change({ ...settings, parties: beforeSigners(settings.parties, party.key) })
          }
        >
          {say('templates.put-before-signers', { label: party.label })}
        </Button>
      )}
      <PersonSourceInputs
        source={party.who}
        fields={settings.fields}
        onChange={(who) => set({ who })}
      />
      <TakesPart party={party} settings={settings} onChange={set} />
      <Setting label={say('templates.spoken-to-in')}>
        <select
          className={inputLook}
          value={party.language}
          onChange={(event) => set({ language: event.target.value })}
        >
          <SpokenOptions none={say('templates.the-agreements-language')} />
        </select>
      </Setting>
      {party.duty !== 'RECEIVES_COPY' && (
        <Setting label={say('templates.shows-who-they-are')}>
          <select
            className={inputLook}
            value={party.identity}
            onChange={(event) => set({ identity: event.target.value as Party['identity'] })}
          >
            {Object.entries(identityWords).map(([check, words]) => (
              <option key={check} value={check}>
                {words}
              </option>
            ))}
          </select>
        </Setting>
      )}
      {(party.duty === 'COMPLETES' || party.duty === 'APPROVES') && (
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            checked={party.copied}
            onChange={(event) => set({ copied: event.target.checked })}
          />
          {say('templates.gets-the-signed-copy')}
        </label>
      )}
      <p className="text-soft">
        {hasFields ? say('templates.in-tags') : say('templates.no-field-in-the-wording')}{' '}
        <code>{tagOf(party.key, 'signature')}</code>
      </p>
      {party.duty === 'SIGNS' && !fixed && inWords && (
        <InitialsEverywhere bench={bench} party={party} />
      )}
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

/** The party's initials at the foot of every page, put into the Word file in one act. */
function InitialsEverywhere({
  bench: { detail, document, unsaved, took },
  party,
}: {
  bench: Bench;
  party: Party;
}) {
  const put = useDraftAct(
    detail.id,
    (revision, name: string) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/acts', {
          params: { path: { id: detail.id } },
          body: {
            revision,
            document,
            act: 'INITIALS_ON_EVERY_PAGE',
            name,
            label: '',
            everywhere: false,
            words: { text: '', before: '', after: '' },
          },
        }),
      ),
    ({ template }) => took(template),
  );
  return (
    <>
      <Button
        className="self-start"
        disabled={unsaved || put.isPending}
        onClick={() => put.mutate(party.key)}
      >
        {say('templates.initials-on-every-page')}
      </Button>
      <Trouble error={put.error} />
    </>
  );
}

/** Whether every agreement has this party. */
function TakesPart({
  party,
  settings,
  onChange,
}: {
  party: Party;
  settings: Bench['settings'];
  onChange: (part: Partial<Party>) => void;
}) {
  const conditions = [
    ...settings.rules.filter(({ gives, within }) => gives === 'YES_NO' && !within),
    ...settings.fields.filter(({ type }) => type === 'YES_NO'),
  ].map(({ name, label }) => ({ name, label }));
  const known = conditions.some(({ name }) => name === party.neededWhen);
  return (
    <>
      <Setting label={say('templates.takes-part')}>
        <select
          className={inputLook}
          value={party.neededWhen}
          onChange={(event) => onChange({ neededWhen: event.target.value })}
        >
          <option value="">{say('templates.in-every-agreement')}</option>
          {conditions.map(({ name, label }) => (
            <option key={name} value={name}>
              {say('templates.only-when', { rule: label || name })}
            </option>
          ))}
          {party.neededWhen && !known && (
            <option value={party.neededWhen}>
              {say('templates.only-when', { rule: party.neededWhen })}
            </option>
          )}
        </select>
      </Setting>
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          checked={party.optional}
          onChange={(event) => onChange({ optional: event.target.checked })}
        />
        {say('templates.may-have-nobody')}
      </label>
    </>
  );
}
