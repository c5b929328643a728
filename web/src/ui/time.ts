import { say } from '../messages/rooms';
import { lastMoment } from './lastMoment';

const day = 24 * 60 * 60 * 1000;

export function dateTime(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
}

export function date(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { dateStyle: 'medium' });
}

/** The last day on which something can be done that ends at a moment. */
export function lastDay(end: string): string {
  return date(lastMoment(end));
}

/** How long something has been so: "today", "since yesterday", "for 5 days". */
export function since(iso: string, now: Date = new Date()): string {
  const start = new Date(iso);
  const days = Math.round(
    (new Date(now.toDateString()).getTime() - new Date(start.toDateString()).getTime()) / day,
  );
  if (days <= 0)
    return say('ui.since', {
      time: start.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }),
    });
  return days === 1 ? say('ui.since-yesterday') : say('ui.for-days', { days });
}

/** How long something has been so, without its beginning: "12 min", "3 hours", "5 days". */
export function lasting(iso: string, now: Date = new Date()): string {
  const minutes = Math.max(0, Math.floor((now.getTime() - new Date(iso).getTime()) / 60_000));
  if (minutes < 60) return say('ui.minutes', { count: minutes });
  const hours = Math.floor(minutes / 60);
  return hours < 24
    ? say('ui.hours', { count: hours })
    : say('ui.days', { count: Math.floor(hours / 24) });
}

/** The day alone, as it stands beside a duration; with the year when it is another one. */
export function shortDate(iso: string, now: Date = new Date()): string {
  const date = new Date(iso);
  return date.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(date.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }),
  });
}

/** How long until something: "today 15:00", "tomorrow 09:00", "in 12 days". */
export function until(iso: string, now: Date = new Date()): string {
  const end = new Date(iso);
  const days = Math.round(
    (new Date(end.toDateString()).getTime() - new Date(now.toDateString()).getTime()) / day,
  );
  const time = end.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  if (days <= 0) return say('ui.today-at', { time });
  return days === 1 ? say('ui.tomorrow-at', { time }) : say('ui.in-days', { days });
}
