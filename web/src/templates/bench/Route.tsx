import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Blind } from '../../blind/Blind';
import { say } from '../../messages/rooms';
import { Ordinal } from '../../page/weave';
import { Button, inputLook } from '../../ui/parts';
import { dutyWords } from '../../ui/words';
import type { Bench } from './bench';
import { PartyCard } from './cards/PartyCard';

type Party = Schemas['PartyView'];

/** The route as a named blind, edited where it stands: a slat for each party, opened to its card. */
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
  const ordered = parties
    .map((party, at) => ({ party, ordinal: at + 1 }))
    .sort((a, b) => a.party.stage - b.party.stage);
  return (
    <section
      aria-label={say('templates.the-route')}
      className="border border-rule bg-sheet px-2 py-1"
    >
      <ol className="flex flex-col">
        {ordered.map(({ party, ordinal }) => (
          <li key={party.key}>
            <button
              type="button"
              aria-expanded={open === party.key}
              className="flex min-h-8 w-full items-center gap-2 text-left hover:bg-slatted"
              onClick={() => onOpen(open === party.key ? undefined : party.key)}
            >
              <Ordinal ordinal={ordinal} />
              <span aria-hidden="true" className="shrink-0">
                <Blind slats={[slatOf(party)]} width={26} height={12} />
              </span>
              <span className="min-w-0">
                <span className={open === party.key ? 'font-semibold' : ''}>{party.label}</span>{' '}
                <span className="text-soft">
                  {say('templates.duty-at-stage', {
                    duty: dutyWords[party.duty],
                    stage: party.stage,
                  })}
                </span>
              </span>
            </button>
            {open === party.key && (
              <div
                className="border-t border-rule py-2"
                onKeyDown={(event) => {
                  if (event.key !== 'Escape') return;
                  event.stopPropagation();
                  onOpen(undefined);
                  event.currentTarget.parentElement?.querySelector('button')?.focus();
                }}
              >
                <PartyCard bench={bench} party={party} onRemoved={() => onOpen(undefined)} />
              </div>
            )}
          </li>
        ))}
      </ol>
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

function slatOf(party: Party): Schemas['RouteStep'] {
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
          who: 'CHOSEN_AT_USE',
          first: '',
          second: '',
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
