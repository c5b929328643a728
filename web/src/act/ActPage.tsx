import { useEffect, useRef } from 'react';
import { Blind } from '../blind/Blind';
import { Attaching } from '../signingFields/attaching';
import { Speech, useSay } from '../messages/useSay';
import { lastMoment } from '../ui/lastMoment';
import { Trouble, Waiting } from '../ui/parts';
import { AskOffice } from './AskOffice';
import { Decline } from './Decline';
import { Documents } from './Documents';
import { canFill, FillingContext, useFilling } from './filling';
import { YOUR_PART } from './open';
import { HandOver } from './HandOver';
import { NextOfMine } from './NextOfMine';
import { ShowIdentity } from './ShowIdentity';
import { WithdrawConsent } from './WithdrawConsent';
import { YourPart } from './YourPart';
import { useAct, type SigningPage } from './useAct';

/** Everything a participant needs: read, complete, sign or approve, or decline. No account. */
export function ActPage({ token }: { token: string }) {
  const act = useAct(token);
  const { words } = act;
  return (
    <Speech.Provider value={words}>
      <Attaching.Provider value={act.attach}>
        <Act act={act} token={token} />
      </Attaching.Provider>
    </Speech.Provider>
  );
}

function Act({ act, token }: { act: ReturnType<typeof useAct>; token: string }) {
  const words = useSay();
  const { page } = act;
  const filling = useFilling(token, page, act);
  useEffect(() => {
    document.title = page ? `${page.title} – ${page.office}` : 'Jalousie';
  }, [page]);
  const heading = useHeadingOnceShown(page);
  if (act.handedTo) {
    return (
      <main className="mx-auto max-w-xl p-6">
        <h1 className="pb-3 text-2xl">{words.say('hand-over.done', { name: act.handedTo })}</h1>
        <p role="status">{words.say('hand-over.done-says', { name: act.handedTo })}</p>
      </main>
    );
  }
  if (!page) {
    return (
      <main className="mx-auto max-w-xl p-6">
        {act.error ? (
          <>
            <h1 className="pb-3 text-2xl">{words.say('page.cannot-open')}</h1>
            <Trouble error={act.error} />
          </>
        ) : (
          <Waiting what={words.say('page.opening')} />
        )}
      </main>
    );
  }
  const turn = page.standing === 'TURN' && !page.ended;
  return (
    <>
      <header className="bg-bottle text-onbottle">
        <div className="mx-auto flex max-w-6xl flex-wrap items-center gap-x-6 gap-y-1 px-4 py-3">
          <span className="font-serif text-lg">{page.office}</span>
          <span className="ml-auto">
            {page.name}, {page.label}
          </span>
        </div>
      </header>
      <main className="mx-auto max-w-6xl px-4 py-5">
        <h1 ref={heading} tabIndex={-1} className="text-2xl outline-none">
          {page.title}
        </h1>
        <p className="text-soft">{page.number}</p>
        {turn && page.expiresAt && (
          <p className="pt-1 text-lg">
            {words.say(asks(page.duty), {
              office: page.office,
              name: page.name,
              until: words.date(lastMoment(page.expiresAt)),
            })}
          </p>
        )}
        {turn && page.identity.shown && (
          <a className="inline-flex min-h-11 items-center lg:hidden" href={`#${YOUR_PART}`}>
            {words.say('read.your-part')}
          </a>
        )}
        {page.route.length > 0 && (
          <section aria-label={words.say('page.route')} className="py-4">
            <Blind slats={page.route} sealed={page.state === 'COMPLETED'} width={320} height={48} />
          </section>
        )}
        {turn && !page.identity.shown && (
          <div className="py-4">
            <ShowIdentity page={page} act={act} />
          </div>
        )}
        {!turn && <NothingToDo page={page} />}
        {!turn && page.byAccount && <NextOfMine />}
        {page.attached.length > 0 && <AttachedFiles page={page} token={token} />}
        {page.hasCopy && <SignedCopy page={page} token={token} />}
        {!page.ended && page.identity.shown && (
          <div className="grid gap-8 lg:grid-cols-[minmax(0,1fr)_24rem]">
            <FillingContext.Provider value={turn && canFill(page) ? filling : undefined}>
              <Documents page={page} token={token} filling={turn ? filling : undefined} />
            </FillingContext.Provider>
            {turn && (
              <div className="flex flex-col gap-6 lg:sticky lg:top-4 lg:h-fit">
                <YourPart page={page} filling={filling} act={act} />
                <AskOffice page={page} act={act} />
                {page.mayHandOver && <HandOver page={page} act={act} />}
                {page.duty === 'SIGNS' && page.consented && <WithdrawConsent act={act} />}
                <Decline
                  title={page.title}
                  onDecline={act.decline}
                  busy={act.busy}
                  error={act.errorOf('refusal')}
                />
              </div>
            )}
          </div>
        )}
      </main>
    </>
  );
}

/** When somebody has shown who they are, what asked for it is gone; the focus goes to the heading of what is there now. */
function useHeadingOnceShown(page: SigningPage | undefined) {
  const heading = useRef<HTMLHeadingElement>(null);
  const before = useRef<boolean>(undefined);
  const shown = page?.identity.shown;
  useEffect(() => {
    if (before.current === false && shown) heading.current?.focus();
    before.current = shown;
  }, [shown]);
  return heading;
}

/** What those who have acted brought along. */
function AttachedFiles({ page, token }: { page: SigningPage; token: string }) {
  const words = useSay();
  return (
    <section aria-label={words.say('attach.of-agreement')} className="pb-4">
      <ul className="flex flex-col gap-1">
        {page.attached.map(({ label, name, file }) => (
          <li key={label + file}>
            {label}:{' '}
            <a
              className="inline-block min-h-6 break-words"
              href={`/api/v1/signing/${token}/files/${file}`}
              download={name}
            >
              {name}
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The signed documents and the record of their signing, to be kept. */
function SignedCopy({ page, token }: { page: SigningPage; token: string }) {
  const words = useSay();
  const address = `/api/v1/signing/${token}`;
  return (
    <ul aria-label={words.say('page.signed-copy')} className="flex flex-col gap-1 pb-5 text-lg">
      {page.documents.map(({ id, title }) => (
        <li key={id}>
          <a
            className="inline-block min-h-11"
            href={`${address}/documents/${id}.pdf`}
            download={`${page.number} ${title}.pdf`}
          >
            {words.say('page.fetch-copy', { title })}
          </a>
        </li>
      ))}
      <li>
        <a
          className="inline-block min-h-11"
          href={`${address}/record.pdf`}
          download={`${page.number} ${words.say('record.title')}.pdf`}
        >
          {words.say('page.fetch-record')}
        </a>
      </li>
    </ul>
  );
}

/** What a participant reads who has nothing to do now. */
function NothingToDo({ page }: { page: SigningPage }) {
  const words = useSay();
  const acted = page.duty === 'SIGNS' ? 'page.signed' : 'page.thanks';
  const waits = page.standing === 'OPEN' && page.state !== 'COMPLETED';
  const said = page.ended || words.say(waits ? 'part.not-yet' : acted);
  return (
    <p
      role="status"
      className={`mb-5 border-l-4 bg-sheet px-4 py-3 text-lg ${page.ended ? 'border-clay' : 'border-moss'}`}
    >
      {said}
    </p>
  );
}

function asks(duty: SigningPage['duty']) {
  if (duty === 'APPROVES') return 'read.asks-APPROVES';
  return duty === 'COMPLETES' ? 'read.asks-COMPLETES' : 'read.asks-SIGNS';
}
