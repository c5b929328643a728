import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { GoOnToSign } from './GoOnToSign';

/** What is said when a form was handed in, and where it goes on. */
export function Thanks({ asked, title }: { asked: Schemas['Asked']; title: string }) {
  const words = useSay();
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  const status = useQuery({
    queryKey: ['asked', asked.secret],
    queryFn: () =>
      answer(api.GET('/api/v1/asked/{secret}', { params: { path: { secret: asked.secret } } })),
    enabled: asked.signs,
    refetchInterval: (query) => (query.state.data?.canSign ? false : 1500),
  });
  return (
    <div className="flex flex-col items-start gap-4">
      <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
        {title}
      </h1>
      <p className="whitespace-pre-line">{asked.thanks || words.say('ask.thanks')}</p>
      <p>{words.say('ask.number', { number: asked.number })}</p>
      {asked.signs &&
        (status.data?.canSign ? (
          <GoOnToSign secret={asked.secret} />
        ) : (
          <p role="status">{words.say('ask.preparing')}</p>
        ))}
      <a href={`/asked/${asked.secret}`} className="inline-flex min-h-11 items-center">
        {words.say('ask.where')}
      </a>
    </div>
  );
}
