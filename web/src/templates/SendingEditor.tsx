import type { Schemas } from '../api/client';
import { inputLook, Labelled } from '../ui/parts';

type Settings = Schemas['TemplateSettings'];

/** How agreements go out: subject, message, expiry, reminders, and the language in which values print. */
export function SendingEditor({
  settings,
  fixed,
  onChange,
}: {
  settings: Settings;
  fixed: boolean;
  onChange: (settings: Settings) => void;
}) {
  const { sending } = settings;
  const change = (part: Partial<Settings['sending']>) =>
    onChange({ ...settings, sending: { ...sending, ...part } });
  const days = (
    id: 'expiryDays' | 'firstReminderDays' | 'everyDays',
    label: string,
    most: number,
    least: 0 | 1,
  ) => (
    <Labelled id={id} label={label} hint={least === 0 ? '0 for none.' : undefined}>
      <input
        id={id}
        type="number"
        min={least}
        max={most}
        aria-describedby={least === 0 ? `${id}-hint` : undefined}
        className={`${inputLook} max-w-28`}
        value={sending[id]}
        onChange={(event) => change({ [id]: Number(event.target.value) || least })}
      />
    </Labelled>
  );
  return (
    <fieldset disabled={fixed} className="flex max-w-xl flex-col gap-4">
      <Labelled
        id="subject"
        label="Subject of the mail"
        hint="The agreement’s number is put behind it. Empty for the usual words."
      >
        <input
          id="subject"
          maxLength={150}
          aria-describedby="subject-hint"
          className={inputLook}
          value={sending.subject}
          onChange={(event) => change({ subject: event.target.value })}
        />
      </Labelled>
      <Labelled id="message" label="Message in the mail, above the link" hint="May stay empty.">
        <textarea
          id="message"
          rows={4}
          aria-describedby="message-hint"
          className={inputLook}
          value={sending.message}
          onChange={(event) => change({ message: event.target.value })}
        />
      </Labelled>
      {days('expiryDays', 'Expires after days', 365, 1)}
      {days('firstReminderDays', 'First reminder after days', 90, 0)}
      {days('everyDays', 'Later reminders every so many days', 90, 0)}
      <Labelled id="language" label="Dates, numbers and money print as in">
        <select
          id="language"
          className={`${inputLook} max-w-72`}
          value={settings.language}
          onChange={(event) => onChange({ ...settings, language: event.target.value })}
        >
          <option value="en-GB">English (United Kingdom)</option>
          <option value="en-US">English (United States)</option>
          <option value="de-DE">German</option>
          <option value="fr-FR">French</option>
          <option value="nl-NL">Dutch</option>
          <option value="it-IT">Italian</option>
          <option value="es-ES">Spanish</option>
        </select>
      </Labelled>
    </fieldset>
  );
}
