import type { Schemas } from '../api/client';

type Item = Schemas['AgreementItem'];
type Duty = Schemas['RouteStep']['duty'];

export const stateWords: Record<Item['state'], string> = {
  GENERATING: 'being made',
  CHECK: 'to check',
  OUT: 'out',
  SEALING: 'being sealed',
  COMPLETED: 'completed',
  DECLINED: 'declined',
  WITHDRAWN: 'withdrawn',
  EXPIRED: 'expired',
};

export const dutyWords: Record<Duty, string> = {
  SIGNS: 'signs',
  APPROVES: 'approves',
  COMPLETES: 'completes details',
  RECEIVES_COPY: 'gets a copy',
};

export const typeWords: Record<Schemas['Field']['type'], string> = {
  TEXT: 'one line',
  LONG_TEXT: 'many lines',
  RICH_TEXT: 'formatted text',
  NUMBER: 'number',
  MONEY: 'money',
  DATE: 'date',
  DATE_TIME: 'date with time',
  YES_NO: 'yes or no',
  CHOICE: 'one of a list',
  MAIL_ADDRESS: 'mail address',
  WEB_ADDRESS: 'web address',
  PHONE: 'telephone',
  NAME: 'full name',
  ADDRESS: 'postal address',
  PICTURE: 'picture',
  ITEMS: 'list of items',
};

/** Whom an agreement waits for, in words. */
export function waitingFor(item: Item): string {
  const names = item.route.filter((slat) => slat.standing === 'TURN').map((slat) => slat.name);
  if (item.state === 'OUT' && names.length) return names.join(' and ');
  const sealing = item.route.some((slat) => slat.standing === 'SEALING');
  return item.state === 'OUT' && sealing ? 'the seal' : '';
}
