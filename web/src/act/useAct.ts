import { useCallback, useEffect, useRef, useState } from 'react';
import { catalogueOf, english } from '../messages/catalogue';
import { answer, api, Problem, sendFile, type Schemas } from '../api/client';
import { LARGEST } from '../signingFields/attaching';

export type SigningPage = Schemas['SigningPage'];
export type Mark = { how: string; picture: string };

/** What somebody was about: what went wrong is told there, and nowhere else. */
type About = 'part' | 'question' | 'hand-over' | 'consent' | 'refusal';

/** What a participant sees and does, by the secret of their link. */
export function useAct(token: string) {
  const [page, setPage] = useState<SigningPage>();
  const [fault, setFault] = useState<{ about: About; problem: Problem }>();
  const [busy, setBusy] = useState(false);
  const [handedTo, setHandedTo] = useState('');
  const [words, setWords] = useState(english);
  const known = useRef(false);
  const path = { params: { path: { token } } };
  const look = useCallback(
    () => answer(api.GET('/api/v1/signing/{token}', { params: { path: { token } } })),
    [token],
  );

  /** A page is kept over an error; only who somebody is may have to be shown again, or is no longer asked. */
  const lookAgain = useCallback(
    async (problem: Problem) => {
      if (!problem.said?.code.startsWith('identity.')) return;
      await look().then(setPage, () => undefined);
    },
    [look],
  );

  const run = useCallback(
    async (call: Promise<SigningPage | undefined>, about: About = 'part') => {
      setBusy(true);
      setFault(undefined);
      try {
        const next = await call;
        if (!next) return true;
        const spoken = await catalogueOf(next.language);
        known.current = true;
        document.documentElement.lang = spoken.language;
        setWords(spoken);
        setPage(next);
        return true;
      } catch (problem) {
        setFault({ about, problem: problem as Problem });
        await lookAgain(problem as Problem);
        return false;
      } finally {
        setBusy(false);
      }
    },
    [lookAgain],
  );

  useEffect(() => {
    // until it is known whose link it is, and when it is nobody's, the browser's own language is spoken
    void catalogueOf(navigator.language.split('-')[0] ?? '').then((spoken) => {
      if (!known.current) setWords(spoken);
    });
    void run(look());
  }, [run, look]);

  return {
    page,
    words,
    /** What went wrong with the part itself. */
    error: fault?.about === 'part' ? fault.problem : undefined,
    errorOf: (about: About) => (fault?.about === about ? fault.problem : undefined),
    busy,
    sendCode: () => run(answer(api.POST('/api/v1/signing/{token}/identity/code', path))),
    showIdentity: (typed: string) =>
      run(
        answer(api.POST('/api/v1/signing/{token}/identity', { ...path, body: { answer: typed } })),
      ),
    consent: (version: string) =>
      run(answer(api.POST('/api/v1/signing/{token}/consent', { ...path, body: { version } }))),
    withdrawConsent: () =>
      run(answer(api.POST('/api/v1/signing/{token}/consent/withdrawal', path)), 'consent'),
    ask: (question: string) =>
      run(
        answer(api.POST('/api/v1/signing/{token}/questions', { ...path, body: { question } })),
        'question',
      ),
    /** Whom they handed over to; there is no page of theirs any more then. */
    handedTo,
    handOver: async (over: Schemas['HandingOver']) => {
      const call = answer(api.POST('/api/v1/signing/{token}/successor', { ...path, body: over }));
      if (
        await run(
          call.then(() => undefined),
          'hand-over',
        )
      )
        setHandedTo(over.name);
    },
    complete: (values: Record<string, string>) =>
      run(answer(api.POST('/api/v1/signing/{token}/details', { ...path, body: { values } }))),
    approve: () => run(answer(api.POST('/api/v1/signing/{token}/approval', path))),
    sign: (values: Record<string, string>, mark: Mark, initials: Mark | undefined) =>
      run(
        answer(
          api.POST('/api/v1/signing/{token}/signature', {
            ...path,
            body: {
              values,
              mark: mark.how,
              picture: mark.picture,
              initials: initials?.picture ?? null,
            },
          }),
        ),
      ),
    /** Brings a file; the answer by which it is given. */
    attach: async (file: File) => {
      if (file.size > LARGEST)
        throw new Problem(
          '',
          413,
          {},
          {
            code: 'attach.large',
            arguments: { most: LARGEST / 1_000_000 },
          },
        );
      const name = encodeURIComponent(file.name);
      const brought = await sendFile<Schemas['Brought']>(
        `/api/v1/signing/${token}/files?name=${name}`,
        file,
      );
      return brought.answer;
    },
    decline: (reason: string) =>
      run(
        answer(api.POST('/api/v1/signing/{token}/refusal', { ...path, body: { reason } })),
        'refusal',
      ),
  };
}
