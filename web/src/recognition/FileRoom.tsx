import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { FilledForm } from '../intake/FilledForm';
import type { Answers } from '../intake/inputProps';
import { say } from '../messages/rooms';
import { PagesView } from '../page/PagesView';
import { Button, RoomTitle, Trouble, Waiting } from '../ui/parts';
import { refusedFor } from '../ui/documentFiles';
import { Unshown } from '../ui/Unshown';
import { Candidates } from './Candidates';
import { Differences } from './Differences';
import { PartiesInFile } from './PartiesInFile';

type Detail = Schemas['FinishedFileDetail'];

/** One file that was made elsewhere: what it is, what it says, and the agreement that it becomes. */
export default function FileRoom() {
  const { id = '' } = useParams();
  const file = useQuery({
    queryKey: ['finished-file', id],
    queryFn: () => answer(api.GET('/api/v1/finished-files/{id}', { params: { path: { id } } })),
    refetchInterval: (query) => (query.state.data?.row.state === 'READING' ? 1000 : false),
  });
  if (!file.data) return <Unshown query={file} waiting={say('recognition.opening')} />;
  return <File key={id} detail={file.data} />;
}

function File({ detail }: { detail: Detail }) {
  const { row, pages } = detail;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const path = { params: { path: { id: row.id } } };
  const again = () => queries.invalidateQueries({ queryKey: ['finished-file', row.id] });
  const readAgain = useMutation({
    mutationFn: (plain: boolean) =>
      answer(api.POST('/api/v1/finished-files/{id}/reading', { ...path, body: { plain } })),
    onSuccess: again,
  });
  const byHand = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/finished-files/{id}/by-hand', path)),
    onSuccess: (made) => void navigate(`/templates/${made.template}`),
  });
  return (
    <>
      <RoomTitle title={row.name}>
        {row.template && (
          <span className="text-soft">
            {say('recognition.template-likeness', {
              template: row.template,
              likeness: row.likeness,
            })}
          </span>
        )}
        {row.agreement && <Link to={`/agreements/${row.agreement}`}>{row.agreement}</Link>}
        {row.byHand && (
          <Link to={`/templates/${row.byHand}`}>{say('recognition.set-up-by-hand')}</Link>
        )}
        {row.state === 'READ' && (
          <Button disabled={byHand.isPending} onClick={() => byHand.mutate()}>
            {say('recognition.by-hand')}
          </Button>
        )}
      </RoomTitle>
      <Trouble error={readAgain.error ?? byHand.error} />
      {row.state === 'READING' && <Waiting what={say('recognition.being-read')} />}
      {row.state === 'REFUSED' && (
        <div role="alert" className="flex max-w-3xl flex-col gap-3">
          <p className="border-l-4 border-oxide bg-sheet px-3 py-2">{row.reason}</p>
          <div className="flex gap-3">
            <Button disabled={readAgain.isPending} onClick={() => readAgain.mutate(false)}>
              {say('recognition.read-again')}
            </Button>
            <Button disabled={readAgain.isPending} onClick={() => readAgain.mutate(true)}>
              {say('recognition.take-plain')}
            </Button>
          </div>
        </div>
      )}
      {pages && (
        <div className="grid grid-cols-[minmax(0,1fr)_30rem] gap-6">
          <section aria-label={say('recognition.its-pages')}>
            <PagesView url={`/api/v1/finished-files/${row.id}/pages.pdf`} pages={pages} />
          </section>
          <aside className="flex flex-col gap-6">
            {detail.notes.length > 0 && (
              <ul className="list-disc pl-5 text-soft">
                {detail.notes.map((note) => (
                  <li key={note}>{note}</li>
                ))}
              </ul>
            )}
            <Candidates detail={detail} fixed={row.state !== 'READ'} />
            {row.template && row.state === 'READ' && (
              <Confirm key={detail.row.revision} detail={detail} />
            )}
          </aside>
        </div>
      )}
    </>
  );
}

/** What the file says, to be looked over before there is an agreement about it. */
function Confirm({ detail }: { detail: Detail }) {
  const { row } = detail;
  const [keep, setKeep] = useState<string[]>([]);
  const [seen, setSeen] = useState(false);
  const [otherwise, setOtherwise] = useState<boolean>();
  const form = useQuery({
    queryKey: ['finished-file', row.id, 'form', detail.row.revision],
    queryFn: () =>
      answer(api.GET('/api/v1/finished-files/{file}/form', { params: { path: { file: row.id } } })),
    staleTime: Infinity,
  });
  const queries = useQueryClient();
  if (!form.data) return <Unshown query={form} waiting={say('intake.opening-the-form')} />;
  const dropped = detail.parties
    .filter((party) => !party.placed && !keep.includes(party.party))
    .map((party) => party.party);
  const make = async (body: Answers) => {
    const made = await answer(
      api.POST('/api/v1/finished-files/{file}/agreement', {
        params: { path: { file: row.id } },
        body: {
          ...body,
          language: form.data.language,
          keep,
          seen,
          otherwise: otherwise ?? false,
          revision: detail.row.revision,
        },
      }),
    ).catch((error: unknown) => {
      // both may be meant; that can be said from now on
      if (refusedFor(error) === 'finished.otherwise') setOtherwise((said) => said ?? false);
      throw error;
    });
    await queries.invalidateQueries({ queryKey: ['finished-file', row.id] });
    return made.agreement;
  };
  return (
    <>
      <Differences detail={detail} seen={seen} onSeen={setSeen} />
      <PartiesInFile detail={detail} keep={keep} onKeep={setKeep} />
      <section aria-label={say('recognition.data')}>
        <h2 className="pb-2 text-lg">{say('recognition.data')}</h2>
        <FilledForm
          form={{
            ...form.data,
            chosen: form.data.chosen.filter((party) => !dropped.includes(party.party)),
          }}
          values={detail.values}
          people={{}}
          notes={Object.fromEntries(
            detail.read
              .filter((one) => !one.sure)
              .map((one) => [
                one.field,
                say(one.read ? 'recognition.read-unsure' : 'recognition.not-read', {
                  words: one.words.map((said) => `“${said}”`).join(', '),
                }),
              ]),
          )}
          make={make}
          held={row.differences > 0 && !seen}
          act={say('intake.make-the-agreement')}
        />
        {otherwise !== undefined && (
          <label className="flex items-center gap-2 pt-3">
            <input
              type="checkbox"
              className="size-4"
              checked={otherwise}
              onChange={(event) => setOtherwise(event.target.checked)}
            />
            {say('recognition.otherwise')}
          </label>
        )}
      </section>
    </>
  );
}
