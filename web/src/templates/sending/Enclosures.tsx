import { say } from '../../messages/rooms';
import { OwnFiles } from './OwnFiles';
import type { TermsProps } from './Terms';

/** What goes along with every invitation: files of the template's own, and pictures of the data. */
export function Enclosures({ settings, sending, onChange }: TermsProps) {
  const pictures = settings.fields.filter(({ type }) => type === 'PICTURE');
  return (
    <section aria-label={say('templates.goes-along')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('templates.goes-along')}</h2>
      {!sending.attachments.length && !pictures.length && (
        <p className="text-soft">{say('templates.nothing-goes-along')}</p>
      )}
      <ul className="flex flex-col gap-1">
        {pictures.map(({ name, label }) => (
          <li key={name}>
            <label className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                checked={sending.attachedFields.includes(name)}
                onChange={(event) =>
                  onChange({
                    attachedFields: event.target.checked
                      ? [...sending.attachedFields, name]
                      : sending.attachedFields.filter((one) => one !== name),
                  })
                }
              />
              {say('templates.picture-of-the-data', { label })}
            </label>
          </li>
        ))}
      </ul>
      <OwnFiles files={sending.attachments} onChange={(attachments) => onChange({ attachments })} />
    </section>
  );
}
