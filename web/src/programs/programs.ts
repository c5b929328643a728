import type { Schemas } from '../api/client';
import type { RoomCode } from '../messages/rooms';

export type ProgramTerms = Schemas['ProgramTerms'];
export type WebhookTerms = Schemas['WebhookTerms'];
export type NoticeKind = WebhookTerms['kinds'][number];

/** Where a program may do something, as the rooms are called. */
export const areas: { area: string; name: RoomCode; what: RoomCode }[] = [
  { area: 'intake', name: 'office.intake', what: 'programs.area-intake' },
  { area: 'agreements', name: 'office.agreements', what: 'programs.area-agreements' },
  { area: 'archive', name: 'office.archive', what: 'programs.area-archive' },
  { area: 'templates', name: 'office.templates', what: 'programs.area-templates' },
  { area: 'registers', name: 'office.registers', what: 'programs.area-registers' },
  { area: 'postroom', name: 'office.postroom', what: 'programs.area-postroom' },
  { area: 'office', name: 'office.hours', what: 'programs.area-office' },
  { area: 'records', name: 'records.systems', what: 'programs.area-records' },
  { area: 'programs', name: 'programs.programs', what: 'programs.area-programs' },
];

export type Reach = 'none' | 'read' | 'write';

/** How far a program reaches in an area. */
export function reachIn(scopes: string[], area: string): Reach {
  if (scopes.includes(`${area}:write`)) return 'write';
  return scopes.includes(`${area}:read`) ? 'read' : 'none';
}

/** The scopes with another reach in one area. */
export function withReach(
  scopes: ProgramTerms['scopes'],
  area: string,
  reach: Reach,
): ProgramTerms['scopes'] {
  const others = scopes.filter((one) => !one.startsWith(`${area}:`));
  return reach === 'none'
    ? others
    : [...others, `${area}:${reach}` as ProgramTerms['scopes'][number]];
}

export const kinds: { kind: NoticeKind; words: RoomCode }[] = [
  { kind: 'request.received', words: 'programs.kind-received' },
  { kind: 'agreement.made', words: 'programs.kind-made' },
  { kind: 'agreement.ready', words: 'programs.kind-ready' },
  { kind: 'agreement.sent', words: 'programs.kind-sent' },
  { kind: 'agreement.invited', words: 'programs.kind-invited' },
  { kind: 'agreement.viewed', words: 'programs.kind-viewed' },
  { kind: 'agreement.filled', words: 'programs.kind-filled' },
  { kind: 'agreement.approved', words: 'programs.kind-approved' },
  { kind: 'agreement.signed', words: 'programs.kind-signed' },
  { kind: 'agreement.declined', words: 'programs.kind-declined' },
  { kind: 'agreement.withdrawn', words: 'programs.kind-withdrawn' },
  { kind: 'agreement.expired', words: 'programs.kind-expired' },
  { kind: 'agreement.completed', words: 'programs.kind-completed' },
];

export const kindWords = (kind: NoticeKind): RoomCode =>
  kinds.find((one) => one.kind === kind)?.words ?? 'programs.kind-trial';

export const noticeStates: Record<Schemas['SentNotice']['state'], RoomCode> = {
  WAITING: 'programs.notice-waiting',
  TAKEN: 'programs.notice-taken',
  GIVEN_UP: 'programs.notice-given-up',
};
