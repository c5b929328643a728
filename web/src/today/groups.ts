import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import type { AgreementsAt } from '../agreements/agreementColumns';

type Today = Schemas['Today'];
type Agreement = Schemas['AgreementItem'];

/** One row of what needs the coordinator. */
export type Row = {
  key: string;
  /** Where it is opened. */
  to: string;
  number: string;
  title: string;
  template: string;
  /** Why it is stuck; empty for one that isn't. */
  reason: string;
  since: string;
  /** How many days are left, of a date that comes near. */
  left?: number;
  agreement?: Agreement;
};

export type GroupName =
  | 'stuck'
  | 'keptOut'
  | 'undelivered'
  | 'copies'
  | 'asked'
  | 'paper'
  | 'dates'
  | 'requests'
  | 'check'
  | 'out'
  | 'ended'
  | 'completed';

export type Group = {
  name: GroupName;
  title: string;
  rows: Row[];
  total: number;
  /** What is done next with one of its rows. */
  act: string;
  /** Whether older ones can be asked for; what is over lists only the newest. */
  more: boolean;
};

/** What there is today in groups, those first that need somebody. */
export function groupsOf(today: Today): Group[] {
  const agreements = (
    name: GroupName,
    title: string,
    act: string,
    { items, total }: { items: Agreement[]; total: number },
    room: AgreementsAt,
    more: boolean,
  ): Group => ({
    name,
    title,
    act,
    total,
    more,
    rows: items.map((agreement) => ({
      key: agreement.number,
      to: `${room}/${agreement.number}`,
      number: agreement.number,
      title: agreement.title,
      template: agreement.template,
      reason: '',
      since: agreement.since,
      agreement,
    })),
  });
  const {
    failed,
    keptOut,
    undelivered,
    copies,
    asked,
    onPaper,
    dates,
    requests,
    toCheck,
    out,
    ended,
    completed,
  } = today;
  return [
    {
      name: 'stuck',
      title: say('today.stuck'),
      act: say('today.try-again'),
      total: failed.total,
      more: true,
      rows: failed.items.map((one) => ({
        key: one.agreement + one.since,
        to: `/agreements/${one.agreement}`,
        number: one.agreement,
        title: '',
        template: '',
        reason: one.reason,
        since: one.since,
      })),
    },
    agreements(
      'keptOut',
      say('today.kept-out'),
      say('today.let-go-on'),
      keptOut,
      '/agreements',
      true,
    ),
    agreements(
      'undelivered',
      say('today.undelivered'),
      say('today.mend-the-address'),
      undelivered,
      '/agreements',
      true,
    ),
    {
      name: 'copies',
      title: say('today.copies-back'),
      act: say('today.send-again'),
      total: copies.total,
      more: true,
      rows: copies.items.map((one) => ({
        key: one.mail,
        to: `/archive/${one.agreement}`,
        number: one.agreement,
        title: one.subject,
        template: '',
        reason: say('today.copy-back', { to: one.recipient, because: one.because }),
        since: one.since,
      })),
    },
    agreements('asked', say('today.asked'), say('today.answer'), asked, '/agreements', true),
    agreements(
      'paper',
      say('today.on-paper'),
      say('today.bring-paper'),
      onPaper,
      '/agreements',
      true,
    ),
    {
      name: 'dates',
      title: say('today.dates'),
      act: say('today.deal-with'),
      total: dates.total,
      more: true,
      rows: dates.items.map((one) => ({
        key: one.id,
        to: `/archive/${one.number}`,
        number: one.number,
        title: `${one.what}: ${one.title}`,
        template: one.template,
        reason: '',
        since: one.day,
        left: one.left,
      })),
    },
    {
      name: 'requests',
      title: say('today.requests-to-turn-into-agreements'),
      act: say('today.fill-in'),
      total: requests.total,
      more: true,
      rows: requests.items.map((one) => ({
        key: one.number,
        to: `/intake/${one.number}`,
        number: one.number,
        title: say('today.by', { by: one.createdBy }),
        template: one.template,
        reason: '',
        since: one.createdAt,
      })),
    },
    agreements(
      'check',
      say('today.to-check-and-send'),
      say('today.check'),
      toCheck,
      '/agreements',
      true,
    ),
    agreements(
      'out',
      say('today.with-somebody'),
      say('today.look-after'),
      out,
      '/agreements',
      true,
    ),
    agreements(
      'ended',
      say('today.ended-without-being-completed'),
      say('today.see-why'),
      ended,
      '/agreements',
      false,
    ),
    agreements(
      'completed',
      say('today.completed-lately'),
      say('today.open'),
      completed,
      '/archive',
      false,
    ),
  ];
}
