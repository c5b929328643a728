import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState, type RefObject } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say, type RoomCode } from '../../messages/rooms';
import { inputLook, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';
import { stagesOf } from '../bench/routeOrder';
import type { TermsProps } from './Terms';
import { SpokenOptions } from '../../ui/SpokenOptions';

type Occasion = 'INVITATION' | 'REMINDER' | 'WARNING';

const occasions: Record<Occasion, RoomCode> = {
  INVITATION: 'templates.invitation',
  REMINDER: 'templates.reminder',
  WARNING: 'templates.warning-mail',
};

/** The words of one's own, with fields of the data in them, and the mail as each party will read it. */
export function LetterPart({
  bench,
  settings,
  sending,
  specimen,
  onSpecimen,
  onChange,
}: TermsProps & {
  bench: Bench;
  specimen: number | undefined;
  onSpecimen: (specimen: number | undefined) => void;
}) {
  const subject = useRef<HTMLInputElement>(null);
  const message = useRef<HTMLTextAreaElement>(null);
  return (
    <section aria-label={say('templates.mail-that-asks')} className="flex min-w-0 flex-col gap-3">
      <h2 className="text-lg">{say('templates.mail-that-asks')}</h2>
      <fieldset disabled={bench.fixed} className="flex min-w-0 flex-col gap-3">
        <div>
          <Setting label={say('templates.subject-of-the-mail')}>
            <input
              ref={subject}
              maxLength={150}
              className={inputLook}
              value={sending.subject}
              onChange={(event) => onChange({ subject: event.target.value })}
            />
          </Setting>
          <PutField
            settings={settings}
            into={say('templates.put-into-subject')}
            onPut={(tag) => onChange({ subject: put(subject, sending.subject, tag) })}
          />
        </div>
        <div>
          <Setting label={say('templates.message-in-the-mail-above')}>
            <textarea
              ref={message}
              rows={4}
              className={inputLook}
              value={sending.message}
              onChange={(event) => onChange({ message: event.target.value })}
            />
          </Setting>
          <PutField
            settings={settings}
            into={say('templates.put-into-message')}
            onPut={(tag) => onChange({ message: put(message, sending.message, tag) })}
          />
        </div>
      </fieldset>
      <Preview bench={bench} specimen={specimen} onSpecimen={onSpecimen} />
    </section>
  );
}

/** The text with a tag at the cursor. */
function put(
  input: RefObject<HTMLInputElement | HTMLTextAreaElement | null>,
  text: string,
  tag: string,
): string {
  const from = input.current?.selectionStart ?? text.length;
  const to = input.current?.selectionEnd ?? from;
  return `${text.slice(0, from)}{{${tag}}}${text.slice(to)}`;
}

/** A field is chosen from the list and stands at the cursor. */
function PutField({
  settings,
  into,
  onPut,
}: {
  settings: Bench['settings'];
  into: string;
  onPut: (tag: string) => void;
}) {
  const names = [
    ...settings.fields.filter(({ type }) => type !== 'PICTURE'),
    ...settings.rules.filter(({ within }) => !within),
  ];
  return (
    <select
      aria-label={into}
      className="mt-1 min-h-8 max-w-72 rounded-sm border border-edge bg-sheet px-2"
      value=""
      onChange={(event) => onPut(event.target.value)}
    >
      <option value="">{into}</option>
      {names.map(({ name, label }) => (
        <option key={name} value={name}>
          {label || name}
        </option>
      ))}
      <option value="agreement_number">{say('templates.agreement-number')}</option>
    </select>
  );
}

/** The mail as a party reads it, in its language or in another one. */
function Preview({
  bench: { detail, settings, unsaved },
  specimen,
  onSpecimen,
}: {
  bench: Bench;
  specimen: number | undefined;
  onSpecimen: (specimen: number | undefined) => void;
}) {
  const acting = stagesOf(settings.parties).flat();
  const [chosen, setChosen] = useState('');
  const [occasion, setOccasion] = useState<Occasion>('INVITATION');
  const [language, setLanguage] = useState('');
  const party = acting.find(({ key }) => key === chosen)?.key ?? acting[0]?.key;
  const letter = useQuery({
    queryKey: ['letter', detail.id, detail.revision, occasion, party, language, specimen],
    enabled: party !== undefined && !unsaved,
    placeholderData: keepPreviousData,
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/letters', {
          params: {
            path: { id: detail.id },
            query: {
              occasion,
              party: party ?? '',
              language,
              ...(specimen === undefined ? {} : { specimen }),
            },
          },
        }),
      ),
  });
  if (!party) return <p className="text-soft">{say('templates.nobody-acts-yet')}</p>;
  return (
    <>
      <div className="flex flex-wrap gap-3">
        <Setting label={say('templates.as-read-by')}>
          <select
            className={inputLook}
            value={party}
            onChange={(event) => setChosen(event.target.value)}
          >
            {acting.map(({ key, label }) => (
              <option key={key} value={key}>
                {label}
              </option>
            ))}
          </select>
        </Setting>
        <Setting label={say('templates.which-mail')}>
          <select
            className={inputLook}
            value={occasion}
            onChange={(event) => setOccasion(event.target.value as Occasion)}
          >
            {Object.entries(occasions).map(([one, words]) => (
              <option key={one} value={one}>
                {say(words)}
              </option>
            ))}
          </select>
        </Setting>
        <Setting label={say('templates.in-language')}>
          <select
            className={inputLook}
            value={language}
            onChange={(event) => setLanguage(event.target.value)}
          >
            <SpokenOptions none={say('templates.the-partys-own')} />
          </select>
        </Setting>
        <Setting label={say('templates.with-the-data-of')}>
          <select
            className={inputLook}
            value={settings.specimens[specimen ?? -1] ? specimen : ''}
            onChange={(event) =>
              onSpecimen(event.target.value === '' ? undefined : Number(event.target.value))
            }
          >
            <option value="">{say('templates.names-of-fields')}</option>
            {settings.specimens.map(({ name }, i) => (
              <option key={i} value={i}>
                {name}
              </option>
            ))}
          </select>
        </Setting>
      </div>
      <Trouble error={letter.error} />
      {letter.data && <Letter letter={letter.data} />}
    </>
  );
}

function Letter({ letter }: { letter: Schemas['LetterPreview'] }) {
  return (
    <article
      aria-label={say('templates.the-mail')}
      lang={letter.language}
      className="max-w-2xl border border-rule bg-sheet px-6 py-5"
    >
      <p className="border-b border-rule pb-2">
        <span className="text-soft">{say('templates.mail-to', { name: letter.to })}</span>
        <strong className="block font-serif text-lg font-medium">{letter.subject}</strong>
      </p>
      {letter.text
        .trim()
        .split('\n\n')
        .map((paragraph, i) => (
          <p key={i} className="pt-3 break-words whitespace-pre-line">
            {paragraph}
          </p>
        ))}
    </article>
  );
}
