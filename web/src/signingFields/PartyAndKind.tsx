import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import { inputLook } from '../ui/parts';
import type { Kind } from './kind';
import { kinds } from './kinds';
import { calledKind } from './onPages';

/** What a signing field is that is put on a page: whose, of which kind, and what it asks for where its kind doesn't say. */
export type NewPlace = { party: string; kind: Kind; asks: string };

/** Whether a field of a kind has to say what it asks for. */
export const asksByName = (kind: Kind) => kinds[kind].name === undefined;

export function PartyAndKind({
  place,
  parties,
  offered,
  onChange,
}: {
  place: NewPlace;
  parties: { key: string; label: string }[];
  offered: Kind[];
  onChange: (place: NewPlace) => void;
}) {
  const words = useSay();
  return (
    <>
      <select
        aria-label={say('templates.party-of-field')}
        className={`${inputLook} w-auto max-w-40`}
        value={place.party}
        onChange={(event) => onChange({ ...place, party: event.target.value })}
      >
        {parties.map(({ key, label }) => (
          <option key={key} value={key}>
            {label}
          </option>
        ))}
      </select>
      <select
        aria-label={say('documents.kind-of-field')}
        className={`${inputLook} w-auto max-w-44`}
        value={place.kind}
        onChange={(event) => onChange({ ...place, kind: event.target.value as Kind })}
      >
        {offered.map((one) => (
          <option key={one} value={one}>
            {calledKind(words, one)}
          </option>
        ))}
      </select>
      {asksByName(place.kind) && (
        <input
          aria-label={say('documents.asked-for')}
          placeholder={say('documents.asked-for')}
          className={`${inputLook} w-44`}
          value={place.asks}
          onChange={(event) => onChange({ ...place, asks: event.target.value })}
        />
      )}
    </>
  );
}
