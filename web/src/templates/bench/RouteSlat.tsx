import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import type { KeyboardEvent, ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { Blind, type Slat } from '../../blind/Blind';
import { say, type RoomCode } from '../../messages/rooms';
import { Ordinal } from '../../page/weave';
import { dutyWords } from '../../ui/words';
import { canMove, type Move } from './routeOrder';

type Party = Schemas['Party'];

const moves: [Move, RoomCode][] = [
  ['up', 'templates.move-up'],
  ['down', 'templates.move-down'],
  ['join-above', 'templates.join-above'],
  ['join-below', 'templates.join-below'],
  ['apart', 'templates.split-off'],
];

/** One slat of the route with its card; its place is changed by dragging, by keys, or from its menu. */
export function RouteSlat({
  party,
  parties,
  fixed,
  open,
  onOpen,
  onMove,
  onDrag,
  children,
}: {
  party: Party;
  parties: Party[];
  fixed: boolean;
  open: boolean;
  onOpen: () => void;
  onMove: (move: Move) => void;
  onDrag: (on: boolean) => void;
  /** The card. */
  children: ReactNode;
}) {
  const acts = party.duty !== 'RECEIVES_COPY';
  const movable = acts && !fixed;
  function press(event: KeyboardEvent) {
    if (!movable || !event.altKey || !['ArrowUp', 'ArrowDown'].includes(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
    const up = event.key === 'ArrowUp';
    if (event.shiftKey) onMove(up ? 'join-above' : 'join-below');
    else onMove(up ? 'up' : 'down');
  }
  const notes = [
    party.optional && say('templates.may-be-left-out'),
    party.neededWhen && say('templates.comes-with-a-rule'),
  ].filter(Boolean);
  return (
    <li>
      <div className="flex items-center">
        <button
          type="button"
          data-party={party.key}
          aria-expanded={open}
          aria-keyshortcuts={movable ? 'Alt+ArrowUp Alt+ArrowDown' : undefined}
          draggable={movable}
          className={`flex min-h-8 min-w-0 grow items-center gap-2 text-left hover:bg-slatted ${movable ? 'cursor-grab' : ''}`}
          onClick={onOpen}
          onKeyDown={press}
          onDragStart={(event) => {
            event.dataTransfer.setData('text/plain', party.label);
            event.dataTransfer.effectAllowed = 'move';
            onDrag(true);
          }}
          onDragEnd={() => onDrag(false)}
        >
          <Ordinal ordinal={parties.findIndex(({ key }) => key === party.key) + 1} />
          {acts && (
            <span aria-hidden="true" className="shrink-0">
              <Blind slats={[slatOf(party)]} width={26} height={12} />
            </span>
          )}
          <span className="min-w-0">
            <span className={open ? 'font-semibold' : ''}>{party.label}</span>{' '}
            <span className="text-soft">{[dutyWords[party.duty], ...notes].join(', ')}</span>
          </span>
        </button>
        {movable && (
          <Menu>
            <MenuButton
              aria-label={say('templates.place-of-party', { label: party.label })}
              title={say('templates.place-of-party', { label: party.label })}
              className="min-h-8 min-w-8 rounded-sm text-soft hover:bg-slatted"
            >
              ⋮
            </MenuButton>
            <MenuItems
              anchor="bottom end"
              className="z-20 border border-edge bg-sheet py-1 outline-none"
            >
              {moves.map(([move, words]) => (
                <MenuItem key={move} disabled={!canMove(parties, party.key, move)}>
                  <button
                    type="button"
                    className="block min-h-8 w-full px-3 text-left data-disabled:text-soft data-disabled:opacity-55 data-focus:bg-slatted"
                    onClick={() => onMove(move)}
                  >
                    {say(words)}
                  </button>
                </MenuItem>
              ))}
            </MenuItems>
          </Menu>
        )}
      </div>
      {open && (
        <div
          className="border-t border-rule py-2"
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            event.stopPropagation();
            onOpen();
            event.currentTarget.parentElement?.querySelector('button')?.focus();
          }}
        >
          {children}
        </div>
      )}
    </li>
  );
}

function slatOf(party: Party): Slat {
  return {
    party: party.key,
    label: party.label,
    name: '',
    duty: party.duty,
    stage: party.stage,
    standing: 'OPEN',
    since: null,
  };
}
