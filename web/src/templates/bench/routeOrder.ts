import type { Schemas } from '../../api/client';

type Party = Schemas['Party'];

/** What can be done to a slat's place in the order. */
export type Move = 'up' | 'down' | 'join-above' | 'join-below' | 'apart';

const acts = (party: Party) => party.duty !== 'RECEIVES_COPY';

/** The stages in order, each with the parties that act at the same time; who only gets a copy has no place in it. */
export function stagesOf(parties: Party[]): Party[][] {
  const acting = parties.filter(acts);
  const stages = [...new Set(acting.map(({ stage }) => stage))].sort((a, b) => a - b);
  return stages.map((stage) => acting.filter((party) => party.stage === stage));
}

/** Parties that are in no order, since they do nothing. */
export const copiedOnly = (parties: Party[]) => parties.filter((party) => !acts(party));

/** The parties with stages counted from one, in the order of these rows. */
function inRows(parties: Party[], rows: Party[][]): Party[] {
  const stages = new Map(
    rows
      .filter((row) => row.length)
      .flatMap((row, at) => row.map(({ key }) => [key, at + 1] as const)),
  );
  return parties.map((party) => ({ ...party, stage: stages.get(party.key) ?? party.stage }));
}

/** Where a party is: its row, and the rows without it. */
function taken(parties: Party[], key: string) {
  const rows = stagesOf(parties);
  const at = rows.findIndex((row) => row.some((party) => party.key === key));
  const party = rows[at]?.find((one) => one.key === key);
  if (!party) return undefined;
  return {
    party,
    at,
    shared: (rows[at]?.length ?? 0) > 1,
    rows: rows.map((row) => row.filter((one) => one.key !== key)),
    last: rows.length - 1,
  };
}

/** Whether a move changes anything. */
export function canMove(parties: Party[], key: string, move: Move): boolean {
  const from = taken(parties, key);
  if (!from) return false;
  if (move === 'apart') return from.shared;
  if (move === 'join-above') return from.at > 0;
  if (move === 'join-below') return from.at < from.last;
  return from.shared || (move === 'up' ? from.at > 0 : from.at < from.last);
}

/**
 * A slat one step up or down, joined to the row beside it, or split off. From a row that it shares a step leads to a row of
 * its own.
 */
export function moved(parties: Party[], key: string, move: Move): Party[] {
  const from = taken(parties, key);
  if (!from || !canMove(parties, key, move)) return parties;
  const { party, at, shared } = from;
  if (move === 'join-above') return joined(parties, key, at - 1);
  if (move === 'join-below') return joined(parties, key, at + 1);
  if (move === 'up') return between(parties, key, shared ? at : at - 1);
  const below = shared || move === 'apart' ? at + 1 : at + 2;
  return between(parties, party.key, below);
}

/** The party acts at the same time as those of a row. */
export function joined(parties: Party[], key: string, row: number): Party[] {
  const from = taken(parties, key);
  if (!from?.rows[row]) return parties;
  return inRows(
    parties,
    from.rows.map((one, at) => (at === row ? [...one, from.party] : one)),
  );
}

/** The party gets a row of its own before a row, counted as they stand now. */
export function between(parties: Party[], key: string, before: number): Party[] {
  const from = taken(parties, key);
  if (!from) return parties;
  const rows = from.rows.toSpliced(before, 0, [from.party]);
  return inRows(parties, rows);
}

/** Who completes details is put before all who sign, as it has to be. */
export function beforeSigners(parties: Party[], key: string): Party[] {
  const first = stagesOf(parties).findIndex((row) => row.some(({ duty }) => duty === 'SIGNS'));
  return first < 0 ? parties : between(parties, key, first);
}

/** Whether somebody completes details when somebody may have signed. */
export function completesLate(parties: Party[], party: Party): boolean {
  return (
    party.duty === 'COMPLETES' &&
    parties.some(({ duty, stage }) => duty === 'SIGNS' && stage <= party.stage)
  );
}
