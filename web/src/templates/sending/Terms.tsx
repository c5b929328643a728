import { useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';

type Sending = Schemas['SendingSettings'];
export type TermsProps = {
  settings: Bench['settings'];
  sending: Sending;
  onChange: (part: Partial<Sending>) => void;
};

/** A number of days, which may be half typed. */
export function DaysInput({
  label,
  value,
  least,
  onChange,
}: {
  label: string;
  value: number;
  least: 0 | 1;
  onChange: (days: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  return (
    <Setting label={label}>
      <input
        type="number"
        min={least}
        max={365}
        className={`${inputLook} max-w-24`}
        value={typed ?? String(value)}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          const days = Number(event.target.value);
          if (event.target.value && Number.isInteger(days) && days >= least) onChange(days);
        }}
      />
    </Setting>
  );
}

/** One of several ways, under a name. */
function Ways<T extends string>({
  label,
  name,
  value,
  ways,
  onChange,
}: {
  label: string;
  name: string;
  value: T;
  ways: [T, string, ReactNode?][];
  onChange: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-soft">{label}</legend>
      {ways.map(([way, words, more]) => (
        <div key={way}>
          <label className="flex min-h-7 items-center gap-2">
            <input
              type="radio"
              name={name}
              checked={value === way}
              onChange={() => onChange(way)}
            />
            {words}
          </label>
          {value === way && more && <div className="flex flex-wrap gap-4 pb-1 pl-6">{more}</div>}
        </div>
      ))}
    </fieldset>
  );
}

/** Until when it can be signed, and how those who are waited for are chased. */
export function TimeTerms({ settings, sending, onChange }: TermsProps) {
  const dates = settings.fields.filter(({ type }) => type === 'DATE');
  const gaps = sending.reminderGaps.length > 0;
  const pattern = gaps ? 'gaps' : sending.firstReminderDays > 0 ? 'rhythm' : 'none';
  return (
    <section aria-label={say('templates.time')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('templates.time')}</h2>
      <Ways
        label={say('templates.can-be-signed')}
        name="expiry"
        value={sending.expiresOn ? 'date' : 'days'}
        onChange={(way) => onChange({ expiresOn: way === 'date' ? (dates[0]?.name ?? '') : '' })}
        ways={[
          [
            'days',
            say('templates.for-days-after-sending'),
            <DaysInput
              key="days"
              label={say('templates.expires-after-days')}
              value={sending.expiryDays}
              least={1}
              onChange={(expiryDays) => onChange({ expiryDays })}
            />,
          ],
          ...(dates.length || sending.expiresOn
            ? ([
                [
                  'date',
                  say('templates.until-a-date-of-the-data'),
                  <Setting key="date" label={say('templates.last-day')}>
                    <select
                      className={inputLook}
                      value={sending.expiresOn}
                      onChange={(event) => onChange({ expiresOn: event.target.value })}
                    >
                      {!dates.some(({ name }) => name === sending.expiresOn) && (
                        <option value={sending.expiresOn}>{sending.expiresOn}</option>
                      )}
                      {dates.map(({ name, label }) => (
                        <option key={name} value={name}>
                          {label}
                        </option>
                      ))}
                    </select>
                  </Setting>,
                ],
              ] as ['date', string, ReactNode][])
            : []),
        ]}
      />
      <DaysInput
        label={say('templates.warned-days-before')}
        value={sending.warnDays}
        least={0}
        onChange={(warnDays) => onChange({ warnDays })}
      />
      <Ways
        label={say('templates.reminders')}
        name="reminders"
        value={pattern}
        onChange={(way) =>
          onChange({
            reminderGaps: way === 'gaps' ? [4, 2, 3] : [],
            firstReminderDays: way === 'none' ? 0 : sending.firstReminderDays || 5,
          })
        }
        ways={[
          ['none', say('templates.no-reminders')],
          [
            'rhythm',
            say('templates.first-then-every'),
            <>
              <DaysInput
                label={say('templates.first-reminder-after-days')}
                value={sending.firstReminderDays}
                least={1}
                onChange={(firstReminderDays) => onChange({ firstReminderDays })}
              />
              <DaysInput
                label={say('templates.later-reminders-every-so-many')}
                value={sending.everyDays}
                least={0}
                onChange={(everyDays) => onChange({ everyDays })}
              />
            </>,
          ],
          [
            'gaps',
            say('templates.so-many-and-no-further'),
            <Gaps key="gaps" gaps={sending.reminderGaps} onChange={onChange} />,
          ],
        ]}
      />
      <Ways
        label={say('templates.invitations-go')}
        name="invitations"
        value={sending.invitations}
        onChange={(invitations) => onChange({ invitations })}
        ways={[
          ['AT_ONCE', say('templates.at-once')],
          ['OFFICE_HOURS', say('templates.in-office-hours')],
        ]}
      />
      <p className="text-soft">{say('templates.chasing-keeps-hours')}</p>
      <Link className="self-start" to="/office/hours">
        {say('templates.office-hours')}
      </Link>
    </section>
  );
}

/** Days between reminders, typed as a list. */
function Gaps({ gaps, onChange }: { gaps: number[]; onChange: (part: Partial<Sending>) => void }) {
  const [typed, setTyped] = useState<string>();
  return (
    <Setting label={say('templates.days-between')}>
      <input
        className={`${inputLook} max-w-48`}
        value={typed ?? gaps.join(', ')}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          const parts = event.target.value.split(/[\s,;]+/).filter(Boolean);
          const days = parts.map(Number);
          if (days.length && days.every((day) => Number.isInteger(day) && day > 0))
            onChange({ reminderGaps: days });
        }}
      />
    </Setting>
  );
}

const acting = [
  ['handOver', 'templates.may-hand-over'],
  ['secondPress', 'templates.second-press'],
] as const;

/** What comes before an agreement goes out, and how the signed copies go. */
export function GoingOut({ settings, sending, onChange }: TermsProps) {
  const copied = settings.parties.filter(
    ({ duty, copied: also }) => duty === 'SIGNS' || duty === 'RECEIVES_COPY' || also,
  );
  return (
    <section aria-label={say('templates.going-out')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('templates.going-out')}</h2>
      <Ways
        label={say('templates.an-agreement-goes-out')}
        name="release"
        value={sending.release}
        onChange={(release) => onChange({ release })}
        ways={[
          ['CHECKED', say('templates.after-a-check')],
          ['AT_ONCE', say('templates.by-itself')],
        ]}
      />
      <Ways
        label={say('templates.signed-copies')}
        name="copies"
        value={sending.copies}
        onChange={(copies) => onChange({ copies })}
        ways={[
          ['ATTACHED', say('templates.attached')],
          ['ARCHIVE', say('templates.in-one-archive')],
          ['LINKED', say('templates.linked')],
        ]}
      />
      <p className="text-soft">
        {copied.length
          ? say('templates.copies-go-to', { parties: copied.map(({ label }) => label).join(', ') })
          : say('templates.copies-go-to-nobody')}
      </p>
      <fieldset className="flex flex-col gap-1">
        <legend className="text-soft">{say('templates.people-act')}</legend>
        {acting.map(([name, words]) => (
          <label key={name} className="flex min-h-7 items-center gap-2">
            <input
              type="checkbox"
              checked={sending.acting[name]}
              onChange={(event) =>
                onChange({ acting: { ...sending.acting, [name]: event.target.checked } })
              }
            />
            {say(words)}
          </label>
        ))}
      </fieldset>
    </section>
  );
}
