import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Bench } from './bench';
import { PartyCard } from './cards/PartyCard';
import { RouteSlat } from './RouteSlat';
import { between, copiedOnly, joined, moved, stagesOf, type Move } from './routeOrder';

type Party = Schemas['Party'];

/** The route as a named blind, edited where it stands: a slat for each party, moved by mouse and by keyboard, opened to its card. */
export function Route({
  bench,
  open,
  onOpen,
}: {
  bench: Bench;
  /** The key of the party whose card is open. */
  open: string | undefined;
  onOpen: (party: string | undefined) => void;
}) {
  const { settings, fixed, change } = bench;
  const { parties } = settings;
  const [dragged, setDragged] = useState<string>();
  const [told, setTold] = useState('');
  const list = useRef<HTMLOListElement>(null);
  const wanted = useRef<string>(undefined);
  const rows = stagesOf(parties);
  useEffect(() => {
    if (!wanted.current) return;
    list.current?.querySelector<HTMLElement>(`[data-party="${wanted.current}"]`)?.focus();
    wanted.current = undefined;
  }, [parties]);
  function arrange(key: string, next: Party[]) {
    if (next === parties) return;
    wanted.current = key;
    change({ ...settings, parties: next });
    setTold(placeOf(next, key));
  }
  const drop = (next: (key: string) => Party[]) => {
    if (dragged) arrange(dragged, next(dragged));
    setDragged(undefined);
  };
  const slat = (party: Party) => (
    <RouteSlat
      key={party.key}
      party={party}
      parties={parties}
      fixed={fixed}
      open={open === party.key}
      onOpen={() => onOpen(open === party.key ? undefined : party.key)}
      onMove={(move: Move) => arrange(party.key, moved(parties, party.key, move))}
      onDrag={(on) => setDragged(on ? party.key : undefined)}
    >
      <PartyCard bench={bench} party={party} onRemoved={() => onOpen(undefined)} />
    </RouteSlat>
  );
  return (
    <section
      aria-label={say('templates.the-route')}
      className="border border-rule bg-sheet px-2 py-1"
    >
      <ol ref={list} className="flex flex-col">
        {rows.map((row, at) => (
          <li
            key={row[0]?.key}
            aria-label={say('templates.stage-of', { stage: at + 1 })}
            className="border-t border-rule first:border-t-0"
          >
            <Between
              on={dragged !== undefined}
              onDrop={() => drop((key) => between(parties, key, at))}
            />
            <div
              className="flex gap-1"
              onDragOver={(event) => dragged && event.preventDefault()}
              onDrop={(event) => {
                event.preventDefault();
                drop((key) => joined(parties, key, at));
              }}
            >
              <span aria-hidden="true" className="w-4 shrink-0 pt-1.5 text-right text-soft">
                {at + 1}
              </span>
              <ul className="min-w-0 grow">{row.map(slat)}</ul>
            </div>
          </li>
        ))}
        {rows.length > 0 && (
          <li aria-hidden="true">
            <Between
              on={dragged !== undefined}
              onDrop={() => drop((key) => between(parties, key, rows.length))}
            />
          </li>
        )}
      </ol>
      {copiedOnly(parties).length > 0 && (
        <ul aria-label={say('templates.get-a-copy')} className="border-t border-rule pl-5">
          {copiedOnly(parties).map(slat)}
        </ul>
      )}
      <p role="status" className="sr-only">
        {told}
      </p>
      {!parties.length && <p className="text-soft">{say('templates.nobody-acts-yet')}</p>}
      {!fixed && (
        <AddParty
          parties={parties}
          onAdd={(party) => {
            change({ ...settings, parties: [...parties, party] });
            onOpen(party.key);
          }}
        />
      )}
    </section>
  );
}

/** Where a party has come to, for who can't see it. */
function placeOf(parties: Party[], key: string): string {
  const rows = stagesOf(parties);
  const at = rows.findIndex((row) => row.some((party) => party.key === key));
  const row = rows[at] ?? [];
  const label = row.find((party) => party.key === key)?.label ?? '';
  const others = row.filter((party) => party.key !== key).map((party) => party.label);
  return others.length
    ? say('templates.acts-together', { label, stage: at + 1, others: others.join(', ') })
    : say('templates.acts-alone', { label, stage: at + 1, count: rows.length });
}

/** The gap between two rows, into which a slat can be dropped. */
function Between({ on, onDrop }: { on: boolean; onDrop: () => void }) {
  return (
    <div
      data-between=""
      className={`${on ? 'h-3 border border-dashed border-edge' : 'h-0.5'}`}
      onDragOver={(event) => on && event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        event.stopPropagation();
        onDrop();
      }}
    />
  );
}

/** A party is added by what it is called; its key in tags is made from that. */
function AddParty({ parties, onAdd }: { parties: Party[]; onAdd: (party: Party) => void }) {
  const [label, setLabel] = useState('');
  const key = label
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 40);
  const taken = parties.some((party) => party.key === key);
  const stage = Math.max(0, ...parties.map((party) => party.stage)) + 1;
  return (
    <form
      className="flex items-center gap-2 border-t border-rule pt-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (!key || taken) return;
        onAdd({
          key,
          label: label.trim(),
          duty: 'COMPLETES',
          stage,
          who: { kind: 'chosen_at_use' },
          optional: false,
          neededWhen: '',
          language: '',
          copied: false,
          identity: 'NONE' as const,
        });
        setLabel('');
      }}
    >
      <input
        aria-label={say('templates.called-new-party')}
        placeholder={say('templates.called-new-party')}
        className={`${inputLook} min-h-8`}
        value={label}
        onChange={(event) => setLabel(event.target.value)}
      />
      <Button type="submit" className="whitespace-nowrap" disabled={!key || taken}>
        {say('templates.add-the-party')}
      </Button>
    </form>
  );
}
