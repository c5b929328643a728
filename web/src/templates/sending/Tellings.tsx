import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { TeamsTold } from '../../archive/dates/TeamsTold';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import { Setting } from '../bench/cards/parts';
import { OwnFiles } from './OwnFiles';
import type { TermsProps } from './Terms';

type Telling = Schemas['Telling'];
type Moment = Telling['moments'][number];

const moments: [Moment, string][] = [
  ['SENT', say('templates.told-sent')],
  ['ACTED', say('templates.told-acted')],
  ['COMPLETED', say('templates.told-completed')],
  ['DECLINED', say('templates.told-declined')],
  ['WITHDRAWN', say('templates.told-withdrawn')],
  ['EXPIRED', say('templates.told-expired')],
];

const fresh: Telling = {
  moments: ['COMPLETED'],
  teams: [],
  mails: [],
  fields: [],
  documents: true,
  attachments: [],
  message: '',
};

/** Whom the office tells besides, who has no part: teams, managers, others. */
export function Tellings({ settings, sending, onChange }: TermsProps) {
  const put = (tellings: Telling[]) => onChange({ tellings });
  const all = sending.tellings;
  return (
    <section aria-label={say('templates.who-else-is-told')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('templates.who-else-is-told')}</h2>
      {all.length === 0 && <p className="text-soft">{say('templates.nobody-else-is-told')}</p>}
      {all.map((one, at) => (
        <TellingLine
          key={at}
          number={at + 1}
          telling={one}
          mailFields={settings.fields.filter(({ type }) => type === 'MAIL_ADDRESS')}
          onChange={(part) =>
            put(all.map((other, i) => (i === at ? { ...other, ...part } : other)))
          }
          onTakeOut={() => put(all.filter((_, i) => i !== at))}
        />
      ))}
      <div>
        <Button onClick={() => put([...all, fresh])}>{say('templates.tell-somebody')}</Button>
      </div>
    </section>
  );
}

function TellingLine({
  number,
  telling,
  mailFields,
  onChange,
  onTakeOut,
}: {
  number: number;
  telling: Telling;
  mailFields: { name: string; label: string }[];
  onChange: (part: Partial<Telling>) => void;
  onTakeOut: () => void;
}) {
  return (
    <fieldset className="flex min-w-0 flex-col gap-3 border-l-2 border-rule pl-3">
      <legend className="sr-only">{say('templates.telling', { number })}</legend>
      <Ticks
        legend={say('templates.told-when')}
        all={moments}
        chosen={telling.moments}
        onChange={(chosen) => onChange({ moments: chosen })}
      />
      <TeamsTold
        chosen={telling.teams}
        fault={undefined}
        onChange={(teams) => onChange({ teams })}
      />
      <Addresses mails={telling.mails} onChange={(mails) => onChange({ mails })} />
      {mailFields.length > 0 && (
        <Ticks
          legend={say('templates.told-fields')}
          all={mailFields.map(({ name, label }) => [name, label])}
          chosen={telling.fields}
          onChange={(fields) => onChange({ fields })}
        />
      )}
      <Tick checked={telling.documents} onChange={(documents) => onChange({ documents })}>
        {say('templates.told-documents')}
      </Tick>
      <OwnFiles files={telling.attachments} onChange={(attachments) => onChange({ attachments })} />
      <Setting label={say('templates.told-message')}>
        <textarea
          rows={3}
          className={inputLook}
          value={telling.message}
          onChange={(event) => onChange({ message: event.target.value })}
        />
      </Setting>
      <div>
        <Button aria-label={say('templates.take-telling-out', { number })} onClick={onTakeOut}>
          {say('account.take-out')}
        </Button>
      </div>
    </fieldset>
  );
}

function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-6 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 shrink-0"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}

/** Several of some, in the order in which they stand. */
function Ticks<T extends string>({
  legend,
  all,
  chosen,
  onChange,
}: {
  legend: string;
  all: [T, string][];
  chosen: T[];
  onChange: (chosen: T[]) => void;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="pb-1 font-medium">{legend}</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        {all.map(([value, words]) => (
          <Tick
            key={value}
            checked={chosen.includes(value)}
            onChange={(checked) =>
              onChange(
                all
                  .map(([one]) => one)
                  .filter((one) => (one === value ? checked : chosen.includes(one))),
              )
            }
          >
            {words}
          </Tick>
        ))}
      </div>
    </fieldset>
  );
}

/** Mail addresses as they are typed; they are taken apart at commas when somebody goes on. */
function Addresses({ mails, onChange }: { mails: string[]; onChange: (mails: string[]) => void }) {
  const [typed, setTyped] = useState<string>();
  return (
    <Setting label={say('templates.told-mails')}>
      <input
        className={inputLook}
        value={typed ?? mails.join(', ')}
        onBlur={() => setTyped(undefined)}
        onChange={(event) => {
          setTyped(event.target.value);
          onChange(event.target.value.split(/[,;\s]+/).filter(Boolean));
        }}
      />
    </Setting>
  );
}
