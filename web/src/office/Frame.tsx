import { say } from '../messages/rooms';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Navigate, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { Waiting } from '../ui/parts';
import { Wordmark } from '../ui/Wordmark';
import { Finder } from './Finder';
import { useSession } from './queries';
import { SignInAgain } from './SignInAgain';

const rooms = [
  { to: '/today', name: say('office.today'), reader: false },
  { to: '/templates', name: say('office.templates'), reader: false },
  { to: '/intake', name: say('office.intake'), reader: false },
  { to: '/agreements', name: say('office.agreements'), reader: true },
  { to: '/archive', name: say('office.archive'), reader: true },
  { to: '/postroom', name: say('office.postroom'), reader: false },
];

/** Clauses are kept with the templates. */
function isWithin(room: string, path: string): boolean {
  return room === '/templates' && path.startsWith('/clauses');
}

/** The headrail with the rooms, and the room beneath it. */
export function Frame() {
  const session = useSession();
  const place = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  useFilterKey();
  useEffect(() => {
    const room = rooms.find(
      (one) => place.pathname.startsWith(one.to) || isWithin(one.to, place.pathname),
    );
    document.title = room ? `${room.name} – Jalousie` : 'Jalousie';
  }, [place.pathname]);
  if (session.isPending) return <Waiting what={say('office.opening')} />;
  if (!session.data)
    return <Navigate to="/sign-in" replace state={{ from: place.pathname + place.search }} />;
  const person = session.data;
  async function signOut() {
    await answer(api.DELETE('/api/v1/session'));
    queries.clear();
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
          {rooms
            .filter((room) => room.reader || person.role === 'COORDINATOR')
            .map((room) => (
              <NavLink
                key={room.to}
                to={room.to}
                className={({ isActive }) =>
                  `border-b-4 px-3 py-3 text-onbottle no-underline hover:border-onbottle/60 ${isActive || isWithin(room.to, place.pathname) ? 'border-onbottle font-semibold' : 'border-transparent'}`
                }
              >
                {room.name}
              </NavLink>
            ))}
        </nav>
        <span className="ml-auto text-onbottle/80">{say('office.ctrl-k-finds-anything')}</span>
        <span>{person.name}</span>
        <button
          type="button"
          className="min-h-8 underline underline-offset-4"
          onClick={() => void signOut()}
        >
          {say('office.sign-out')}
        </button>
      </header>
      <SignInAgain mail={person.mail} />
      <Finder
        templates={person.role === 'COORDINATOR'}
        rooms={rooms
          .filter((room) => room.reader || person.role === 'COORDINATOR')
          .map((room) => ({ ...room, what: say('office.room') }))}
      />
      <main id="room" className="mx-auto max-w-[92rem] px-5 py-4">
        <Outlet />
      </main>
    </>
  );
}

/** `/` goes to the room's filter. */
function useFilterKey() {
  useEffect(() => {
    function press(event: KeyboardEvent) {
      const target = event.target as HTMLElement;
      if (event.key !== '/' || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
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
