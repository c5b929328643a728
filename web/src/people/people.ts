import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import type { Role } from '../office/roles';

export type OfficePerson = Schemas['OfficePerson'];
export type OfficePersonDetail = Schemas['OfficePersonDetail'];

const names: Record<Role, RoomCode> = {
  ADMINISTRATOR: 'people.administrator',
  COORDINATOR: 'people.coordinator',
  APPROVER: 'people.approver',
  REQUESTER: 'people.requester',
  READER: 'people.reader',
};

export const roleTasks: Record<Role, RoomCode> = {
  ADMINISTRATOR: 'people.administrator-may',
  COORDINATOR: 'people.coordinator-may',
  APPROVER: 'people.approver-may',
  REQUESTER: 'people.requester-may',
  READER: 'people.reader-may',
};

export const roleName = (role: Role) => say(names[role]);

export const roleWords = (all: Role[]) => all.map(roleName).join(', ');

const standings: Record<OfficePerson['standing'], RoomCode> = {
  INVITED: 'people.invited',
  OPEN: 'people.open',
  CLOSED: 'people.closed',
};

export const standingWords = (standing: OfficePerson['standing']) => say(standings[standing]);

/** What somebody has beside a password. */
export function factorWords(shows: OfficePerson['shows']): string {
  if (shows.length === 0) return say('people.password-only');
  return shows
    .map((one) => say(one === 'CODE' ? 'people.shows-code' : 'people.shows-passkey'))
    .join(', ');
}

const programs: [RegExp, string][] = [
  [/Edg\//, 'Edge'],
  [/Firefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const machines: [RegExp, string][] = [
  [/Android/, 'Android'],
  [/iPhone|iPad/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
];

/** What a browser calls itself, as people call it; empty for what isn’t known. */
export function browserWords(agent: string): string {
  const found = (among: [RegExp, string][]) => among.find(([is]) => is.test(agent))?.[1];
  return [found(programs), found(machines)].filter(Boolean).join(', ');
}
