import { say } from '../messages/rooms';
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
    <Labelled id={id} label={label} hint={least === 0 ? say('templates.0-for-none') : undefined}>
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
        label={say('templates.subject-of-the-mail')}
        hint={say('templates.the-agreements-number-is-put')}
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
      <Labelled
        id="message"
        label={say('templates.message-in-the-mail-above')}
        hint={say('templates.may-stay-empty')}
      >
        <textarea
          id="message"
          rows={4}
          aria-describedby="message-hint"
          className={inputLook}
          value={sending.message}
          onChange={(event) => change({ message: event.target.value })}
        />
      </Labelled>
      {days('expiryDays', say('templates.expires-after-days'), 365, 1)}
      {days('firstReminderDays', say('templates.first-reminder-after-days'), 90, 0)}
      {days('everyDays', say('templates.later-reminders-every-so-many'), 90, 0)}
      <Labelled id="language" label={say('templates.dates-numbers-and-money-print')}>
        <select
          id="language"
          className={`${inputLook} max-w-72`}
          value={settings.language}
          onChange={(event) => onChange({ ...settings, language: event.target.value })}
        >
          <option value="en-GB">{say('templates.english-united-kingdom')}</option>
          <option value="en-US">{say('templates.english-united-states')}</option>
          <option value="de-DE">{say('templates.german')}</option>
          <option value="fr-FR">{say('templates.french')}</option>
          <option value="nl-NL">{say('templates.dutch')}</option>
          <option value="it-IT">{say('templates.italian')}</option>
          <option value="es-ES">{say('templates.spanish')}</option>
        </select>
      </Labelled>
    </fieldset>
  );
}
