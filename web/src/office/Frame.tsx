import { say } from '../messages/rooms';
import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect } from 'react';
import { Link, Navigate, Outlet, useLocation, useNavigate } from 'react-router';
import { answer, api, sessionEnd } from '../api/client';
import { Waiting } from '../ui/parts';
import { forgetWritten } from '../templates/compose/kept';
import { Wordmark } from '../ui/Wordmark';
import { singleKey, useMainActKey } from '../ui/keys';
import { Finder } from './Finder';
import { KeysDialog, useKeysDialog } from './KeysDialog';
import { useMine } from '../mine/useMine';
import { useSession } from './queries';
import { may, roles, type Role } from './roles';
import { SignInAgain } from './SignInAgain';

/** The rooms, with further addresses that are theirs: clauses are kept with the templates. */
const rooms: { to: string; also?: string; name: string; for: Role[] }[] = [
  { to: '/today', name: say('office.today'), for: ['COORDINATOR'] },
  { to: '/templates', also: '/clauses', name: say('office.templates'), for: ['COORDINATOR'] },
  { to: '/intake', name: say('office.intake'), for: ['COORDINATOR'] },
  { to: '/agreements', name: say('office.agreements'), for: ['COORDINATOR', 'READER'] },
  { to: '/archive', name: say('office.archive'), for: ['COORDINATOR', 'READER'] },
  { to: '/registers', also: '/tables', name: say('office.registers'), for: ['COORDINATOR'] },
  { to: '/postroom', name: say('office.postroom'), for: ['COORDINATOR'] },
  { to: '/programs', name: say('programs.programs'), for: ['COORDINATOR'] },
  { to: '/people', name: say('people.people'), for: ['ADMINISTRATOR'] },
  { to: '/asking', name: say('asking.title'), for: ['REQUESTER'] },
  { to: '/mine', name: say('mine.title'), for: ['APPROVER'] },
];

/** Rooms that are gone to by other ways. */
const further: typeof rooms = [
  { to: '/account', name: say('account.title'), for: roles },
  { to: '/mine', name: say('mine.title'), for: roles },
  { to: '/office/hours', name: say('office.hours'), for: ['COORDINATOR', 'ADMINISTRATOR'] },
  { to: '/office/mail', name: say('mail.title'), for: ['COORDINATOR', 'ADMINISTRATOR'] },
  { to: '/office/files', name: say('files.title'), for: ['ADMINISTRATOR'] },
  { to: '/people/teams', name: say('people.teams'), for: ['ADMINISTRATOR'] },
  { to: '/people/groups', name: say('groups.title'), for: ['ADMINISTRATOR'] },
  { to: '/people/trail', name: say('people.trail'), for: ['ADMINISTRATOR'] },
];

/** The headrail with the rooms, and the room beneath it. */
export function Frame() {
  const session = useSession();
  const place = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  useFilterKey();
  useMainActKey();
  const keys = useKeysDialog();
  useEffect(() => {
    const refused = () => void queries.invalidateQueries({ queryKey: ['session'] });
    sessionEnd.addEventListener('refused', refused);
    return () => sessionEnd.removeEventListener('refused', refused);
  }, [queries]);
  const mine = useMine(0, session.data?.roles.length !== 0 && session.data !== undefined);
  const here = rooms.find(({ to, also = to }) =>
    [to, also].some((at) => place.pathname.startsWith(at)),
  );
  useEffect(() => {
    document.title = here ? `${here.name} – Jalousie` : 'Jalousie';
  }, [here]);
  if (session.isPending) return <Waiting what={say('office.opening')} />;
  if (!session.data)
    return <Navigate to="/sign-in" replace state={{ from: place.pathname + place.search }} />;
  const person = session.data;
  const open = (room: (typeof rooms)[number]) => room.for.some((role) => may(person, role));
  if (person.lacksFactor && place.pathname !== '/account')
    return <Navigate to="/account" replace />;
  async function signOut() {
    await answer(api.DELETE('/api/v1/session'));
    queries.clear();
    forgetWritten();
    await navigate('/sign-in');
  }
  return (
    <>
      <a href="#room" className="sr-only focus:not-sr-only">
        {say('office.to-the-room')}
      </a>
      <header className="flex flex-wrap items-center gap-x-6 bg-bottle px-5 text-onbottle">
        <Wordmark />
        <nav aria-label={say('office.rooms')} className="flex flex-wrap">
          {rooms.filter(open).map((room) => (
            <Link
              key={room.to}
              to={room.to}
              aria-current={room === here ? 'page' : undefined}
              className={`border-b-4 px-3 py-3 text-onbottle no-underline hover:border-onbottle/60 ${room === here ? 'border-onbottle font-semibold' : 'border-transparent'}`}
            >
              {room.name}
            </Link>
          ))}
        </nav>
        <span className="ml-auto text-onbottle/80">{say('office.ctrl-k-finds-anything')}</span>
        <button
          type="button"
          className="min-h-8 min-w-8 text-onbottle"
          aria-label={say('office.keys')}
          title={say('office.keys')}
          onClick={() => keys.onOpen(true)}
        >
          ?
        </button>
        {(mine.data?.total ?? 0) > 0 && (
          <Link to="/mine" className="text-onbottle">
            {say('mine.count', { count: mine.data?.total })}
          </Link>
        )}
        <Link to="/account" className="text-onbottle" title={say('account.title')}>
          {person.name}
        </Link>
        <button
          type="button"
          className="min-h-8 underline underline-offset-4"
          onClick={() => void signOut()}
        >
          {say('office.sign-out')}
        </button>
      </header>
      <SignInAgain mail={person.mail} />
      <KeysDialog {...keys} />
      <Finder
        templates={may(person, 'COORDINATOR')}
        rooms={[...rooms, ...further]
          .filter(open)
          .filter(({ to }, i, all) => all.findIndex((one) => one.to === to) === i)
          .map(({ to, name }) => ({ to, name, what: say('office.room') }))}
      />
      <main id="room" className="mx-auto max-w-[92rem] px-5 py-4">
        <Suspense fallback={<Waiting what={say('office.opening')} />}>
          <Outlet />
        </Suspense>
      </main>
    </>
  );
}

/** `/` goes to the room's filter. */
function useFilterKey() {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      if (singleKey(event) !== '/') return;
      const filter = document.querySelector<HTMLInputElement>('input[type=search]');
      if (filter) {
        event.preventDefault();
        filter.focus();
      }
    }
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
}
