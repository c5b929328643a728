import { say, type RoomCode } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { lastMoment } from './lastMoment';
import { until } from './time';

type Item = Schemas['AgreementItem'];
type Duty = Schemas['RouteStep']['duty'];

export const stateWords: Record<Item['state'], string> = {
  GENERATING: say('ui.being-made'),
  CHECK: say('ui.to-check'),
  OUT: say('ui.out'),
  SEALING: say('ui.being-sealed'),
  COMPLETED: say('ui.completed'),
  DECLINED: say('ui.declined'),
  WITHDRAWN: say('ui.withdrawn'),
  EXPIRED: say('ui.expired'),
};

export const dutyWords: Record<Duty, string> = {
  SIGNS: say('ui.signs'),
  APPROVES: say('ui.approves'),
  COMPLETES: say('ui.completes-details'),
  RECEIVES_COPY: say('ui.gets-a-copy'),
};

export const typeWords: Record<Schemas['Field']['type'], string> = {
  TEXT: say('ui.one-line'),
  LONG_TEXT: say('ui.many-lines'),
  RICH_TEXT: say('ui.formatted-text'),
  NUMBER: say('ui.number'),
  MONEY: say('ui.money'),
  DATE: say('ui.date'),
  DATE_TIME: say('ui.date-with-time'),
  YES_NO: say('ui.yes-or-no'),
  CHOICE: say('ui.one-of-a-list'),
  MAIL_ADDRESS: say('ui.mail-address'),
  WEB_ADDRESS: say('ui.web-address'),
  PHONE: say('ui.telephone'),
  NAME: say('ui.full-name'),
  ADDRESS: say('ui.postal-address'),
  PICTURE: say('ui.picture'),
  FILE: say('ui.file'),
  ITEMS: say('ui.list-of-items'),
};

/** Several names as a sentence has them. */
export function listed(names: string[]): string {
  return new Intl.ListFormat('en-GB').format(names);
}

/** Whom an agreement waits for, in words. */
export function waitingFor(item: Item): string {
  if (item.onPaper) return say('ui.on-paper');
  const names = item.route.filter((slat) => slat.standing === 'TURN').map((slat) => slat.name);
  if (item.state === 'OUT' && names.length) return listed(names);
  const sealing = item.route.some((slat) => slat.standing === 'SEALING');
  return item.state === 'OUT' && sealing ? say('ui.the-seal') : '';
}

const nextWords: Record<Schemas['Next']['kind'], RoomCode> = {
  REMINDER: 'today.reminder',
  WARNING: 'today.warning',
  EXPIRY: 'today.expires',
};

/** What time alone does next, and when; what ends with a day is told by that day. */
export function nextOf({ kind, at }: Schemas['Next']): string {
  return say(nextWords[kind], { when: until(kind === 'EXPIRY' ? lastMoment(at) : at) });
}

/** Whether those that an agreement waits for have opened it; empty where nobody is waited for. */
export function openedBy(item: Item): string {
  if (item.state !== 'OUT' || item.onPaper) return '';
  const turn = item.route.filter(({ standing, seen }) => standing === 'TURN' && seen !== null);
  if (!turn.length) return '';
  const opened = turn.filter(({ seen }) => seen).length;
  if (turn.length === 1) return say(opened ? 'ui.opened' : 'ui.not-opened');
  return say('ui.opened-of', { opened, all: turn.length });
}

/** How somebody shows who they are. */
export const identityWords: Record<Schemas['Party']['identity'] & string, string> = {
  NONE: say('ui.identity-link'),
  MAILED_CODE: say('ui.identity-mailed-code'),
  TEXTED_CODE: say('ui.identity-texted-code'),
  AGREED_WORD: say('ui.identity-agreed-word'),
};
