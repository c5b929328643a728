import { say } from '../../messages/rooms';
import type { Report, SpentRow } from './queries';

export const reportWords: Record<Report, string> = {
  TIMES: say('reports.times'),
  OUT: say('reports.out'),
  ENDINGS: say('reports.endings'),
  REQUESTS: say('reports.requests'),
};

/** What a part of the way is called; a party's turn after the party. */
export function phaseWords({ phase, label }: Pick<SpentRow, 'phase' | 'label'>): string {
  return phase === 'ACTED' ? label : say('reports.phase', { phase });
}

/** How long something took, given in days: "40 min", "5 hours", "3.2 days", "12 days". */
export function spentWords(days: number): string {
  const minutes = Math.round(days * 24 * 60);
  if (minutes < 1) return say('reports.under-a-minute');
  if (minutes < 60) return say('ui.minutes', { count: minutes });
  const hours = Math.round(days * 24);
  if (hours < 48) return say('ui.hours', { count: hours });
  return say('ui.days', { count: days < 9.95 ? Math.round(days * 10) / 10 : Math.round(days) });
}

/** A month as it stands over a narrow column: "Mar 2027". */
export function shortMonth(month: string): string {
  return new Date(`${month}-01T00:00`).toLocaleDateString('en-GB', {
    month: 'short',
    year: 'numeric',
  });
}

/** The first day of the month from which twelve months reach to this one. */
export function twelveMonths(today: Date): string {
  const year = today.getFullYear() - (today.getMonth() === 11 ? 0 : 1);
  const month = ((today.getMonth() + 1) % 12) + 1;
  return `${year}-${String(month).padStart(2, '0')}-01`;
}
