import { say } from '../messages/rooms';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { useWayIn } from '../mine/useMine';
import { useAgreement, useSession } from '../office/queries';
import { useMay } from '../office/roles';
import { Button, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { Unshown } from '../ui/Unshown';
import { since } from '../ui/time';
import { listed, stateWords } from '../ui/words';
import { DocumentsOfAgreement } from './DocumentsOfAgreement';
import { BeforeSending } from './check/BeforeSending';
import { ChangedWordings } from './check/ChangedWordings';
import { RegisterChanges } from '../intake/lookup/RegisterChanges';
import { useRequest, type Looked } from './check/useCheck';
import { Files } from './Files';
import { PaperNote } from './paper/PaperNote';
import { TakeToPaper } from './paper/TakeToPaper';
import { OwnDocuments } from './OwnDocuments';
import { People } from './People';
import { WhoTheyAre } from './WhoTheyAre';
import { RouteOfAgreement } from './RouteOfAgreement';
import { Questions } from './route/Questions';
import { RouteNow } from './route/RouteNow';
import { Trail } from './Trail';
import { RetentionOfAgreement } from '../archive/retention/RetentionOfAgreement';
import { Withdraw } from './Withdraw';

type Detail = Schemas['AgreementDetail'];

/** One agreement: checked and sent, then watched. */
export default function AgreementRoom() {
  const { number = '' } = useParams();
  const agreement = useAgreement(number);
  const session = useSession();
  const coordinator = useMay('COORDINATOR');
  const queries = useQueryClient();
  const [planned, setPlanned] = useState(false);
  const [looked, setLooked] = useState<Looked>();
  const [person, setPerson] = useState<string>();
  // pages that are being made again stay until the new ones are there
  const [last, setLast] = useState<Detail>();
  if (agreement.data?.documents.length && last !== agreement.data) setLast(agreement.data);
  const request = useRequest(
    agreement.data?.row.request ?? '',
    coordinator && ['CHECK', 'GENERATING'].includes(agreement.data?.row.state ?? ''),
  );
  const wayIn = useWayIn();
  const path = { params: { path: { number } } };
  const took = (detail: Detail) => queries.setQueryData(['agreement', number], detail);
  const send = useMutation({
    mutationFn: (events: number) =>
      answer(api.POST('/api/v1/agreements/{number}/sending', { ...path, body: { events } })),
    onSuccess: took,
  });
  const again = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/agreements/{number}/another-try', path)),
    onSuccess: took,
  });
  if (!agreement.data)
    return <Unshown query={agreement} waiting={say('agreements.opening-the-agreement')} />;
  const detail = agreement.data;
  const { row } = detail;
  const checking = row.state === 'CHECK' && coordinator;
  const pages =
    row.state === 'GENERATING' && last?.row.number === row.number && last.documents.length
      ? last
      : detail;
  const remade = () => queries.invalidateQueries({ queryKey: ['agreement', number] });
  function settle({ at, name }: Schemas['ToSettle']) {
    if (at === 'PERSON') setPerson(name);
    else if (at === 'ANSWER') setLooked({ name, document: detail.documents[0]?.id ?? '' });
    else document.getElementById('own-documents')?.scrollIntoView();
  }
  return (
    <>
      <RoomTitle title={row.title}>
        <span className="text-soft">
          {row.number}, {stateWords[row.state]} {since(row.since)}
        </span>
        {detail.replaces && (
          <Link to={`/agreements/${detail.replaces}`}>
            {say('agreements.takes-the-place-of', { number: detail.replaces })}
          </Link>
        )}
        {row.state === 'COMPLETED' && (
          <Link to={`/archive/${number}`}>{say('agreements.open-in-the-archive')}</Link>
        )}
        {checking && (
          <Link to={`/intake/${row.request}`}>{say('agreements.correct-the-data')}</Link>
        )}
        {coordinator && ['DECLINED', 'WITHDRAWN', 'EXPIRED'].includes(row.state) && (
          <Link to={`/intake/${row.request}`}>{say('agreements.use-its-answers-again')}</Link>
        )}
        {row.state === 'OUT' && !row.onPaper && isMine(detail, session.data?.mail) && (
          <Button look="main" disabled={wayIn.isPending} onClick={() => wayIn.mutate(number)}>
            {say('mine.act-now')}
          </Button>
        )}
        {checking && (
          <Button
            look="main"
            disabled={detail.obstacles.length > 0 || send.isPending}
            onClick={() => send.mutate(detail.trail.length)}
          >
            {sendWords(row.route)}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={send.error ?? again.error ?? wayIn.error} />
      {detail.troubles.map((trouble) => (
        <div
          key={trouble.since}
          role="alert"
          className="mb-3 flex items-center gap-4 border-l-4 border-oxide bg-sheet px-3 py-2"
        >
          <span className="mr-auto text-oxide">
            {say('agreements.stuck', { reason: trouble.reason, since: since(trouble.since) })}
          </span>
          {coordinator && (
            <Button disabled={again.isPending} onClick={() => again.mutate()}>
              {say('agreements.try-again')}
            </Button>
          )}
        </div>
      ))}
      <PaperNote detail={detail} fixed={!coordinator} />
      {planned && (
        <div id="route-calendar" className="pb-5">
          <RouteOfAgreement detail={detail} />
        </div>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_19rem] gap-6">
        <div>
          {detail.documents.length === 0 && (
            <Waiting
              what={say(
                pages === detail
                  ? 'agreements.the-document-is-being-made'
                  : 'agreements.being-made-again',
              )}
            />
          )}
          <DocumentsOfAgreement
            detail={pages}
            onTook={checking ? took : undefined}
            request={request}
            // what is being typed stays while somebody else's correction is made into pages
            answering={
              checking || (coordinator && pages !== detail)
                ? { looked, onLook: setLooked }
                : undefined
            }
          />
        </div>
        <aside className="flex flex-col gap-6">
          {row.state === 'CHECK' && (
            <BeforeSending
              obstacles={detail.obstacles}
              warnings={detail.warnings}
              template={detail.templateId}
              onSettle={checking ? settle : undefined}
            />
          )}
          {checking && request && <RegisterChanges request={request} />}
          <ChangedWordings
            number={number}
            documents={detail.documents}
            onTook={checking ? () => void remade() : undefined}
          />
          {checking && (
            <div id="own-documents">
              <OwnDocuments detail={detail} onTook={took} />
            </div>
          )}
          {row.state !== 'CHECK' && row.state !== 'GENERATING' && (
            <RouteNow detail={detail} fixed={!coordinator} onTaken={took} />
          )}
          {row.state !== 'GENERATING' && (
            <Questions detail={detail} fixed={!coordinator} onTaken={took} />
          )}
          {row.state !== 'GENERATING' && (
            <Button
              className="self-start"
              aria-expanded={planned}
              aria-controls="route-calendar"
              onClick={() => setPlanned(!planned)}
            >
              {say(planned ? 'agreements.close-the-calendar' : 'agreements.route-as-calendar')}
            </Button>
          )}
          {['DECLINED', 'WITHDRAWN', 'EXPIRED'].includes(row.state) && (
            <RetentionOfAgreement number={row.number} />
          )}
          {(row.state === 'CHECK' || row.state === 'GENERATING') && (
            <People
              number={number}
              people={detail.people}
              fixed={!checking}
              open={person}
              onOpen={setPerson}
              onTaken={took}
            />
          )}
          {(row.state === 'CHECK' || row.state === 'GENERATING' || row.state === 'OUT') && (
            <WhoTheyAre
              number={number}
              people={detail.people}
              route={row.route}
              fixed={!coordinator}
            />
          )}
          {request && <MadeWith request={request} number={number} />}
          <Data detail={detail} />
          <Files number={number} documents={detail.documents} attached={detail.attached} />
          {(row.state === 'OUT' || row.state === 'CHECK') && coordinator && !row.onPaper && (
            <TakeToPaper detail={detail} />
          )}
          {(row.state === 'OUT' || row.state === 'CHECK') && coordinator && (
            <Withdraw number={number} onTaken={took} />
          )}
          <Trail detail={detail} />
        </aside>
      </div>
    </>
  );
}

/** Whether it waits for who is signed in. */
function isMine({ people, row }: Detail, mail: string | undefined): boolean {
  const plain = (address: string) => address.trim().toLowerCase();
  return people.some(
    (one) =>
      mail !== undefined &&
      plain(one.mail) === plain(mail) &&
      row.route.some(({ party, standing }) => party === one.party && standing === 'TURN'),
  );
}

/** The button says what will happen. */
export function sendWords(slats: Schemas['RouteStep'][]): string {
  const first = Math.min(...slats.map((slat) => slat.stage));
  const names = slats.filter((slat) => slat.stage === first).map((slat) => slat.name || slat.label);
  const more = slats.length - names.length;
  return say('agreements.send-to', {
    names: listed(names),
    more,
  });
}

/** The other agreements of the same request. */
function MadeWith({ request, number }: { request: Schemas['RequestDetail']; number: string }) {
  const others = request.parts.filter(({ agreement }) => agreement && agreement !== number);
  if (!others.length) return null;
  return (
    <section aria-label={say('agreements.made-with')}>
      <h2 className="pb-1 text-lg">{say('agreements.made-with')}</h2>
      <ul>
        {others.map(({ agreement, template }) => (
          <li key={agreement}>
            <Link to={`/agreements/${agreement}`}>{agreement}</Link>{' '}
            <span className="text-soft">{template}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Data({ detail }: { detail: Detail }) {
  return (
    <section aria-label={say('agreements.data')}>
      <h2 className="pb-1 text-lg">{say('agreements.data')}</h2>
      <dl>
        {detail.data.map((one) => (
          <div key={one.name} className="flex gap-2 border-b border-rule py-1">
            <dt className="w-2/5 shrink-0 text-soft">{one.label}</dt>
            <dd className="min-w-0 break-words whitespace-pre-line">
              {one.printed || <span className="text-soft">{say('agreements.blank')}</span>}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
