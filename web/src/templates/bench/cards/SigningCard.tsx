import { answer, api, type Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { useSay } from '../../../messages/useSay';
import { calledIn } from '../../../signingFields/kinds';
import { inputLook, Trouble } from '../../../ui/parts';
import { SigningFieldInputs } from '../../SigningFieldInputs';
import { useDraftAct } from '../../useDraftAct';
import type { Bench } from '../bench';
import { Places, Setting, tagOf, type Walk } from './parts';

type SigningField = Schemas['SigningField'];

/** Everything that there is to settle about one signing field. */
export function SigningCard({ bench, name, walk }: { bench: Bench; name: string; walk: Walk }) {
  const words = useSay();
  const { settings, fixed, change } = bench;
  const field = settings.signingFields.find((one) => one.name === name);
  if (!field) return null;
  const set = (next: SigningField) =>
    change({
      ...settings,
      signingFields: settings.signingFields.map((one) => (one.name === name ? next : one)),
    });
  return (
    <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-2">
      <PartyOf bench={bench} field={field} />
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <SigningFieldInputs
          field={field}
          called={calledIn(words, field)}
          among={settings.signingFields.filter((one) => one.party === field.party)}
          onChange={set}
        />
      </div>
      <Places walk={walk} />
      <p className="text-soft">
        {say('templates.tag-in-the-word-file')} <code>{tagOf(field.party, wordOf(field))}</code>
      </p>
    </fieldset>
  );
}

const wordOf = (field: SigningField) => field.name.slice(field.party.length + 1);

/** Who completes it; another party is another tag, which is put into the Word file. */
function PartyOf({
  bench: { detail, settings, fixed, unsaved, took },
  field,
}: {
  bench: Bench;
  field: SigningField;
}) {
  const move = useDraftAct(
    detail.id,
    (revision, party: string) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/party', {
          params: { path: { id: detail.id } },
          body: { revision, field: field.name, party },
        }),
      ),
    took,
  );
  return (
    <>
      <Setting label={say('templates.party-of-field')}>
        <select
          className={inputLook}
          disabled={fixed || unsaved || move.isPending}
          value={field.party}
          onChange={(event) => move.mutate(event.target.value)}
        >
          {settings.parties.map((party) => (
            <option key={party.key} value={party.key}>
              {party.label}
            </option>
          ))}
        </select>
      </Setting>
      <Trouble error={move.error} />
    </>
  );
}
