import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api, sendFile, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { FileButton } from '../ui/FileButton';
import { Button, inputLook, RoomTitle, Trouble } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { useSession } from './queries';

type Settings = Schemas['MailSettings'];
type Words = Schemas['Words'];

/** In their own words, as people look for them. */
const languages = { en: 'English', nl: 'Nederlands', de: 'Deutsch', fr: 'Français' } as const;
const occasions: Partial<Record<Words['occasion'], string>> = {
  INVITATION: say('mail.on-INVITATION'),
  REMINDER: say('mail.on-REMINDER'),
  WARNING: say('mail.on-WARNING'),
  NEW_LINK: say('mail.on-NEW_LINK'),
  NEW_END: say('mail.on-NEW_END'),
  SKIPPED: say('mail.on-SKIPPED'),
  COMPLETED: say('mail.on-COMPLETED'),
  DECLINED: say('mail.on-DECLINED'),
  WITHDRAWN: say('mail.on-WITHDRAWN'),
  EXPIRED: say('mail.on-EXPIRED'),
};
const REST = 400;

/** What the office's mails look like and say, with a mail as it would be beside it. */
export default function MailRoom() {
  const settings = useQuery({
    queryKey: ['mail-settings'],
    queryFn: () => answer(api.GET('/api/v1/office/mail')),
  });
  const [at, setAt] = useState<Pick<Words, 'occasion' | 'language'>>({
    occasion: 'INVITATION',
    language: 'en',
  });
  const [words, setWords] = useState<Words>();
  if (!settings.data) return <Unshown query={settings} waiting={say('office.opening')} />;
  const kept = keptWords(settings.data, at);
  return (
    <>
      <RoomTitle title={say('mail.title')} />
      <div className="grid grid-cols-[minmax(0,26rem)_minmax(0,1fr)] gap-8">
        <div className="flex flex-col gap-6">
          <Looks settings={settings.data} />
          <OwnWords
            key={at.occasion + at.language}
            settings={settings.data}
            kept={kept}
            onAt={setAt}
            onTyped={setWords}
          />
        </div>
        <Preview words={words ?? kept} colour={settings.data.colour} />
      </div>
    </>
  );
}

function keptWords(
  settings: Settings,
  { occasion, language }: Pick<Words, 'occasion' | 'language'>,
): Words {
  const own = settings.own.find((one) => one.occasion === occasion && one.language === language);
  return own ?? { occasion, language, subject: '', text: '' };
}

function useKept() {
  const queries = useQueryClient();
  return (settings: Settings) => queries.setQueryData(['mail-settings'], settings);
}

function Looks({ settings }: { settings: Settings }) {
  const kept = useKept();
  const [colour, setColour] = useState(settings.colour);
  const change = useMutation({
    mutationFn: () => answer(api.PUT('/api/v1/office/mail/colour', { body: { colour } })),
    onSuccess: kept,
  });
  const bring = useMutation({
    mutationFn: (file: File) => sendFile<Settings>('/api/v1/office/mail/logo', file),
    onSuccess: kept,
  });
  const take = useMutation({
    mutationFn: () => answer(api.DELETE('/api/v1/office/mail/logo')),
    onSuccess: kept,
  });
  return (
    <section aria-label={say('mail.looks')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('mail.looks')}</h2>
      <label className="flex items-center gap-3">
        <input
          type="color"
          className="h-8 w-12"
          value={colour}
          onChange={(event) => setColour(event.target.value)}
        />
        {say('mail.colour')}
      </label>
      <span>
        <Button
          disabled={change.isPending || colour === settings.colour}
          onClick={() => change.mutate()}
        >
          {say('mail.keep-colour')}
        </Button>
      </span>
      <p>{say('mail.logo')}</p>
      {settings.logo && (
        <img
          key={bring.submittedAt}
          src={`/api/v1/office/mail/logo?at=${bring.submittedAt}`}
          alt={say('mail.logo')}
          className="max-h-16 self-start bg-white p-1"
        />
      )}
      <span className="flex gap-2">
        <FileButton
          what={say('mail.logo-file')}
          accept="image/png,image/jpeg"
          disabled={bring.isPending}
          onFile={(file) => bring.mutate(file)}
        >
          {say('mail.bring-logo')}
        </FileButton>
        {settings.logo && (
          <Button disabled={take.isPending} onClick={() => take.mutate()}>
            {say('mail.take-logo')}
          </Button>
        )}
      </span>
      <Trouble error={change.error ?? bring.error ?? take.error} />
    </section>
  );
}

function OwnWords({
  settings,
  kept,
  onAt,
  onTyped,
}: {
  settings: Settings;
  kept: Words;
  onAt: (at: Pick<Words, 'occasion' | 'language'>) => void;
  onTyped: (words: Words | undefined) => void;
}) {
  const take = useKept();
  const session = useSession();
  const [words, setWords] = useState(kept);
  const save = useMutation({
    mutationFn: () => answer(api.PUT('/api/v1/office/mail/words', { body: words })),
    onSuccess: take,
  });
  const trial = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/office/mail/trial', { body: words })),
  });
  const type = (part: Partial<Words>) => {
    const next = { ...words, ...part };
    setWords(next);
    onTyped(next);
  };
  const move = (part: Partial<Pick<Words, 'occasion' | 'language'>>) => {
    onTyped(undefined);
    onAt({ occasion: words.occasion, language: words.language, ...part });
  };
  const changed = words.subject !== kept.subject || words.text !== kept.text;
  return (
    <section aria-label={say('mail.words')} className="flex flex-col gap-3">
      <h2 className="text-lg">{say('mail.words')}</h2>
      <p className="text-soft">{say('mail.words-hint')}</p>
      <div className="flex gap-3">
        <label className="flex grow flex-col gap-0.5">
          <span className="text-soft">{say('mail.occasion')}</span>
          <select
            className={inputLook}
            value={words.occasion}
            onChange={(event) => move({ occasion: event.target.value as Words['occasion'] })}
          >
            {settings.occasions.map((one) => (
              <option key={one} value={one}>
                {nameOf(one, settings, words.language)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-0.5">
          <span className="text-soft">{say('mail.language')}</span>
          <select
            className={inputLook}
            value={words.language}
            onChange={(event) => move({ language: event.target.value })}
          >
            {Object.entries(languages).map(([tag, name]) => (
              <option key={tag} value={tag}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('mail.subject')}</span>
        <input
          className={inputLook}
          value={words.subject}
          onChange={(event) => type({ subject: event.target.value })}
        />
      </label>
      <label className="flex flex-col gap-0.5">
        <span className="text-soft">{say('mail.text')}</span>
        <textarea
          rows={6}
          className={inputLook}
          value={words.text}
          onChange={(event) => type({ text: event.target.value })}
        />
      </label>
      <p className="text-soft">
        {say('mail.fields', { fields: settings.fields.map((one) => `{{${one}}}`).join(' ') })}
      </p>
      <Trouble error={save.error ?? trial.error} />
      <span className="flex flex-wrap items-center gap-2">
        <Button look="main" disabled={!changed || save.isPending} onClick={() => save.mutate()}>
          {say('mail.keep-words')}
        </Button>
        <Button disabled={trial.isPending} onClick={() => trial.mutate()}>
          {say('mail.trial')}
        </Button>
        <span role="status" className="text-soft">
          {trial.isSuccess && say('mail.trial-sent', { mail: session.data?.mail })}
          {save.isSuccess && !changed && say('mail.kept')}
        </span>
      </span>
    </section>
  );
}

function nameOf(occasion: Words['occasion'], settings: Settings, language: string): string {
  const name = occasions[occasion] ?? occasion;
  const own = settings.own.some((one) => one.occasion === occasion && one.language === language);
  return own ? say('mail.own', { occasion: name }) : name;
}

/** The mail as it would be, a moment after typing rests. */
function Preview({ words, colour }: { words: Words; colour: string }) {
  const [rested, setRested] = useState(words);
  const now = JSON.stringify(words);
  useEffect(() => {
    const timer = setTimeout(() => setRested(JSON.parse(now) as Words), REST);
    return () => clearTimeout(timer);
  }, [now]);
  const mail = useQuery({
    queryKey: ['mail-preview', rested, colour],
    queryFn: () => answer(api.POST('/api/v1/office/mail/preview', { body: rested })),
    placeholderData: (before) => before,
    retry: false,
  });
  return (
    <section aria-label={say('mail.preview')} className="flex flex-col gap-2">
      <Trouble error={mail.error} />
      {mail.data && (
        <>
          <p className="font-serif text-lg">{mail.data.subject}</p>
          <iframe
            title={say('mail.preview')}
            sandbox=""
            srcDoc={mail.data.html}
            className="h-[36rem] w-full border border-rule bg-sheet"
          />
        </>
      )}
    </section>
  );
}
