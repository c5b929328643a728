import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';

/** Who has a place in the file, and who goes without unless somebody keeps them. */
export function PartiesInFile({
  detail,
  keep,
  onKeep,
}: {
  detail: Schemas['FinishedFileDetail'];
  keep: string[];
  onKeep: (keep: string[]) => void;
}) {
  return (
    <section aria-label={say('recognition.parties')}>
      <h2 className="pb-2 text-lg">{say('recognition.parties')}</h2>
      <ul className="flex flex-col gap-2">
        {detail.parties.map(({ party, label, placed }) => (
          <li key={party}>
            <span className="font-medium">{label}</span>
            {placed ? (
              <ul className="text-soft">
                {detail.fields
                  .filter((field) => field.party === party)
                  .map((field) => (
                    <li key={field.field} className={field.page ? '' : 'text-clay'}>
                      {field.page
                        ? say('recognition.field-on', { label: field.label, page: field.page })
                        : say(field.gone ? 'recognition.field-gone' : 'recognition.field-open', {
                            label: field.label,
                          })}
                    </li>
                  ))}
              </ul>
            ) : (
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4"
                  checked={keep.includes(party)}
                  onChange={(event) =>
                    onKeep(
                      event.target.checked ? [...keep, party] : keep.filter((one) => one !== party),
                    )
                  }
                />
                <span className="text-clay">{say('recognition.keep-without', { label })}</span>
              </label>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
