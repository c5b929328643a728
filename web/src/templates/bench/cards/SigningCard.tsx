import { answer, api, type Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { useSay } from '../../../messages/useSay';
import { calledIn } from '../../../signingFields/kinds';
import { Button, inputLook, Trouble } from '../../../ui/parts';
import { SigningFieldInputs } from '../../SigningFieldInputs';
import { useDraftAct } from '../../useDraftAct';
import { useKeeping } from '../../useKeeping';
import type { Bench } from '../bench';
import { handedOver } from '../../documents/putting';
import { kinOf, sized, type Carried } from '../usePlacing';
import { Places, Setting, tagOf, type Walk } from './parts';

type SigningField = Schemas['SigningField'];

/** Everything that there is to settle about one signing field. */
export function SigningCard({
  bench,
  name,
  walk,
  byHand,
  onCarry,
}: {
  bench: Bench;
  name: string;
  /** Whether it was put on a page by hand, and stands in no words. */
  byHand: boolean;
  walk: Walk;
  onCarry?: ((carried: Carried) => void) | undefined;
}) {
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
      {byHand ? (
        <PartyByHand bench={bench} field={field} />
      ) : (
        <PartyOf bench={bench} field={field} />
      )}
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <SigningFieldInputs
          field={field}
          called={calledIn(words, field)}
          content={settings}
          onChange={set}
        />
      </div>
      {!byHand && (
        <>
          <Places walk={walk} />
          <PlaceActs bench={bench} field={field} onCarry={onCarry} />
          <p className="text-soft">
            {say('templates.tag-in-the-word-file')} <code>{tagOf(field.party, wordOf(field))}</code>
          </p>
        </>
      )}
    </fieldset>
  );
}

/** What can be done about where a field stands: moved, kept with its words, and others made as large. */
function PlaceActs({
  bench: { detail, settings, fixed, unsaved, took, change },
  field,
  onCarry,
}: {
  bench: Bench;
  field: SigningField;
  onCarry: ((carried: Carried) => void) | undefined;
}) {
  const words = useSay();
  const keep = useKeeping({ detail, took });
  const { widthMm, heightMm } = field.type.size;
  const others = kinOf(settings.signingFields, field).filter(
    ({ type: { size } }) => size.widthMm !== widthMm || size.heightMm !== heightMm,
  );
  if (fixed) return null;
  const party = settings.parties.find((one) => one.key === field.party)?.label ?? field.party;
  const called = `${party}, ${calledIn(words, field)}`;
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {onCarry && (
          <Button
            disabled={unsaved}
            onClick={() => onCarry({ name: field.name, occurrence: 0, called })}
          >
            {say('templates.move')}
          </Button>
        )}
        <Button disabled={unsaved || keep.isPending} onClick={() => keep.mutate(field.name)}>
          {say('templates.keep-with-words')}
        </Button>
        {others.length > 0 && (
          <Button
            onClick={() =>
              change({
                ...settings,
                signingFields: settings.signingFields.map((one) =>
                  others.includes(one) ? sized(one, field.type.size) : one,
                ),
              })
            }
          >
            {say('templates.same-size-for-others', { count: others.length })}
          </Button>
        )}
      </div>
      {keep.isSuccess && <p role="status">{say('templates.is-kept-with-words')}</p>}
      <Trouble error={keep.error} />
    </>
  );
}

const wordOf = (field: SigningField) => field.name.slice(field.party.length + 1);

/** Who completes it; another party gives it another name. */
function PartyByHand({
  bench: { settings, fixed, change },
  field,
}: {
  bench: Bench;
  field: SigningField;
}) {
  return (
    <Setting label={say('templates.party-of-field')}>
      <select
        className={inputLook}
        disabled={fixed}
        value={field.party}
        onChange={(event) => change(handedOver(settings, field, event.target.value))}
      >
        {settings.parties.map((party) => (
          <option key={party.key} value={party.key}>
            {party.label}
          </option>
        ))}
      </select>
    </Setting>
  );
}

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
