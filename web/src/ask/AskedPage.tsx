import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { answer, api, type Schemas } from '../api/client';
import type { Code } from '../messages/catalogue';
import { Speech, useSay } from '../messages/useSay';
import { Trouble, Waiting } from '../ui/parts';
import { useSpeech } from './AskPage';
import { Frame } from './Frame';
import { GoOnToSign } from './GoOnToSign';

const stages: [Schemas['AskStatus']['stage'], Code][] = [
  ['WITH_OFFICE', 'ask.stage-office'],
  ['MADE', 'ask.stage-made'],
  ['OUT', 'ask.stage-out'],
  ['DONE', 'ask.stage-done'],
];

/** Where a request stands, for who has asked. */
export function AskedPage({ secret }: { secret: string }) {
  const status = useQuery({
    queryKey: ['asked', secret],
    queryFn: () => answer(api.GET('/api/v1/asked/{secret}', { params: { path: { secret } } })),
    refetchInterval: 20_000,
  });
  const words = useSpeech(status.data?.language ?? navigator.language);
  useEffect(() => {
    if (status.data) document.title = `${status.data.title} – ${status.data.office}`;
  }, [status.data]);
  return (
    <Speech.Provider value={words}>
      <Frame office={status.data?.office ?? ''}>
        {status.data ? (
          <Status status={status.data} secret={secret} />
        ) : status.error ? (
          <>
            <h1 className="pb-3 text-2xl">{words.say('page.cannot-open')}</h1>
            <Trouble error={status.error} />
          </>
        ) : (
          <Waiting what={words.say('page.opening')} />
        )}
      </Frame>
    </Speech.Provider>
  );
}

function Status({ status, secret }: { status: Schemas['AskStatus']; secret: string }) {
  const words = useSay();
  const at = stages.findIndex(([stage]) => stage === status.stage);
  return (
    <div className="flex flex-col items-start gap-4">
      <h1 className="text-2xl">{status.title}</h1>
      <p className="text-soft">
        {words.say('ask.asked-on', { number: status.number, day: words.date(status.askedAt) })}
      </p>
      {status.stage === 'ENDED' ? (
        <p className="border-l-4 border-oxide pl-3">{words.say('ask.stage-ended')}</p>
      ) : (
        <ol className="flex flex-col gap-2">
          {stages.map(([stage, code], i) => (
            <li
              key={stage}
              aria-current={i === at ? 'step' : undefined}
              className={`border-l-4 pl-3 ${
                i < at
                  ? 'border-moss text-soft'
                  : i === at
                    ? status.stage === 'DONE'
                      ? 'border-moss font-semibold'
                      : 'border-clay font-semibold'
                    : 'border-rule text-soft'
              }`}
            >
              {words.say(code)}
            </li>
          ))}
        </ol>
      )}
      {status.canSign && <GoOnToSign secret={secret} />}
      {status.canFetch && (
        <a
          href={`/api/v1/asked/${secret}/document`}
          className="inline-flex min-h-11 items-center"
          download
        >
          {words.say('ask.fetch')}
        </a>
      )}
    </div>
  );
}
