import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answer, api } from '../api/client';
import { leftHere, type Begun } from '../intake/kept';
import { catalogueOf, english, type Catalogue } from '../messages/catalogue';
import { Speech, useSay } from '../messages/useSay';
import { Trouble, Waiting } from '../ui/parts';
import { inAddress } from './address';
import { AskForm } from './AskForm';
import { Frame } from './Frame';
import { placeOf, type KeptHere } from './keptHere';
import { SayWord } from './SayWord';

const own = navigator.language.split('-')[0] ?? '';

/** The words of a language, which are fetched when somebody speaks it. */
export function useSpeech(language: string): Catalogue {
  const [words, setWords] = useState(english);
  useEffect(() => {
    const tag = language.split('-')[0] ?? '';
    let over = false;
    void catalogueOf(tag).then((spoken) => {
      if (over) return;
      document.documentElement.lang = spoken.language;
      setWords(spoken);
    });
    return () => {
      over = true;
    };
  }, [language]);
  return words;
}

/** A form that was shared by a link, for anybody. */
export function AskPage({ token }: { token: string }) {
  const [address] = useState(() => inAddress(window.location.search));
  const [spoken, setSpoken] = useState<string>();
  const [language] = useState(
    () => new URLSearchParams(window.location.search).get('language') ?? own,
  );
  const [access, setAccess] = useState('');
  const page = useQuery({
    queryKey: ['ask', token, access],
    queryFn: async () => {
      const here = leftHere(placeOf(token)) as (Begun & KeptHere) | undefined;
      const left = address.go
        ? await answer(
            api.GET('/api/v1/ask/{token}/left/{go}', {
              params: { path: { token, go: address.go } },
            }),
          )
        : undefined;
      // what this browser has of the same form is newer than what was left with the server
      const begun = here && (!left || here.key === left.key) ? here : left;
      const opened = await answer(
        api.GET('/api/v1/ask/{token}', {
          params: {
            path: { token },
            query: {
              language: begun?.language || language,
              access,
              answers: address.sealed,
              ...(begun ? { key: begun.key } : {}),
            },
          },
        }),
      );
      return { opened, begun };
    },
    staleTime: Infinity,
    gcTime: 0,
  });
  const data = page.data;
  const words = useSpeech(spoken ?? data?.opened.language ?? language);
  return (
    <Speech.Provider value={words}>
      <Frame office={data?.opened.office ?? ''}>
        <Shown page={page} />
        {data?.opened.wordNeeded && (
          <SayWord token={token} title={data.opened.title} onSaid={setAccess} />
        )}
        {data?.opened.form && (
          <AskForm
            key={data.opened.key}
            token={token}
            access={access}
            page={data.opened}
            form={data.opened.form}
            begun={data.begun}
            address={address}
            onLanguage={setSpoken}
          />
        )}
      </Frame>
    </Speech.Provider>
  );
}

function Shown({
  page,
}: {
  page: { data?: { opened: { state: string; title: string } } | undefined; error: unknown };
}) {
  const words = useSay();
  const title = page.data?.opened.title;
  useEffect(() => {
    if (title) document.title = title;
  }, [title]);
  if (page.error)
    return (
      <>
        <h1 className="pb-3 text-2xl">{words.say('page.cannot-open')}</h1>
        <Trouble error={page.error} />
      </>
    );
  if (!page.data) return <Waiting what={words.say('page.opening')} />;
  const { state } = page.data.opened;
  if (state === 'OPEN') return null;
  const over = {
    CLOSED: 'ask.closed',
    ENDED: 'ask.ended',
    FULL: 'ask.full',
    RESTING: 'ask.resting',
  };
  return (
    <>
      <h1 className="pb-3 text-2xl">{title}</h1>
      <p>{words.say(over[state as keyof typeof over] as 'ask.closed')}</p>
    </>
  );
}
