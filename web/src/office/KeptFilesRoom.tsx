import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, RoomTitle, Trouble } from '../ui/parts';
import { dateTime } from '../ui/time';
import { Unshown } from '../ui/Unshown';

type Kind = 'FOLDER' | 'BUCKET';

const soon = 2000;
const later = 30_000;

/** Where the office's files are kept, and how far they are on their way there. */
export default function KeptFilesRoom() {
  const files = useQuery({
    queryKey: ['files'],
    queryFn: () => answer(api.GET('/api/v1/office/files')),
    refetchInterval: ({ state }) => (state.data?.moving ? soon : later),
  });
  if (!files.data) return <Unshown query={files} waiting={say('files.opening')} />;
  const { places } = files.data;
  return (
    <>
      <RoomTitle title={say('files.title')} />
      <p className="max-w-prose pb-3 text-soft">{say('files.what')}</p>
      <Trouble error={files.error} />
      {places.map((place) => (
        <Place key={place.kind} place={place} view={files.data} />
      ))}
      {places.length === 1 && <p className="max-w-prose pt-3 text-soft">{say('files.only-one')}</p>}
    </>
  );
}

function Place({ place, view }: { place: Schemas['FilesPlace']; view: Schemas['FilesView'] }) {
  const [asking, setAsking] = useState(false);
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: () =>
      answer(api.PUT('/api/v1/office/files', { body: { keptIn: place.kind as Kind } })),
    onSuccess: (now) => queries.setQueryData(['files'], now),
    onSettled: () => setAsking(false),
  });
  const title = say(place.kind === 'BUCKET' ? 'files.BUCKET' : 'files.FOLDER');
  const here = place.kind === view.keptIn;
  return (
    <section aria-label={title} className="border-b border-rule py-4">
      <h2 className="text-lg">{title}</h2>
      <p className="font-mono text-sm wrap-anywhere text-soft">{place.said}</p>
      {here ? (
        <Here view={view} />
      ) : (
        <p className="py-1">{say(view.moving ? 'files.still-here' : 'files.other')}</p>
      )}
      {!here && view.stuck.length > 0 && <Stuck names={view.stuck} />}
      <Trouble error={choose.error} />
      {!here && (
        <div className="flex flex-wrap gap-3 pt-2">
          {asking ? (
            <>
              <Button look="main" disabled={choose.isPending} onClick={() => choose.mutate()}>
                {say('files.really')}
              </Button>
              <Button onClick={() => setAsking(false)}>{say('archive.leave-as-it-is')}</Button>
            </>
          ) : (
            <Button onClick={() => setAsking(true)}>{say('files.keep-here')}</Button>
          )}
        </div>
      )}
    </section>
  );
}

/** How far those are that were kept elsewhere before. */
function Here({ view }: { view: Schemas['FilesView'] }) {
  const { moving, moved, toMove, fault } = view;
  const most = toMove === null ? 0 : Math.max(moved, toMove);
  const progress =
    toMove === null ? say('files.counting') : say('files.progress', { moved, toMove: most });
  return (
    <>
      <p className="py-1">{say('files.kept-here', { since: dateTime(view.since) })}</p>
      {view.places.length > 1 && (
        <p role="status" className="py-1">
          {moving ? progress : say(moved > 0 ? 'files.all-moved' : 'files.nothing-moved')}
        </p>
      )}
      {moving && most > 0 && (
        <progress
          aria-label={say('files.title')}
          className="h-2 w-96 max-w-full accent-bottle"
          value={moved}
          max={most}
        />
      )}
      {fault && (
        <p role="status" className="border-l-4 border-oxide bg-sheet px-3 py-2 text-oxide">
          {say('files.not-now', { fault })}
        </p>
      )}
    </>
  );
}

function Stuck({ names }: { names: string[] }) {
  return (
    <div className="border-l-4 border-oxide bg-sheet px-3 py-2">
      <p className="text-oxide">{say('files.stuck', { count: names.length })}</p>
      <ul className="pt-1 font-mono text-sm wrap-anywhere">
        {names.map((name) => (
          <li key={name}>{name}</li>
        ))}
      </ul>
    </div>
  );
}
