import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';

/** How long a rule keeps something. */
export function keptFor(months: number): string {
  if (months === 0) return say('retention.for-ever');
  return months % 12 === 0
    ? say('retention.years', { years: months / 12 })
    : say('retention.months', { months });
}

/** A rule in a sentence. */
export function ruleWords(rule: Schemas['RetentionRule']): string {
  if (rule.completed === 0 && rule.inVain === 0) return say('retention.all-for-ever');
  return say(rule.yearEnd ? 'retention.rule-from-year-end' : 'retention.rule', {
    completed: keptFor(rule.completed),
    inVain: keptFor(rule.inVain),
  });
}

/** A length of time as it is typed. */
export type TypedTime = { count: number; unit: 'EVER' | 'MONTHS' | 'YEARS' };

export const typedTime = (months: number): TypedTime =>
  months === 0
    ? { count: 10, unit: 'EVER' }
    : months % 12 === 0
      ? { count: months / 12, unit: 'YEARS' }
      : { count: months, unit: 'MONTHS' };

/** In months, as the server keeps it; what is no length of time is longer than any. */
export function monthsOf({ count, unit }: TypedTime): number {
  if (unit === 'EVER') return 0;
  if (!Number.isInteger(count) || count < 1) return -1;
  return unit === 'YEARS' ? count * 12 : count;
}
