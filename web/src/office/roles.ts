import type { Schemas } from '../api/client';
import { useSession } from './queries';

export type Role = Schemas['Session']['roles'][number];

/** The widest first, as the server gives them. */
export const roles: Role[] = ['ADMINISTRATOR', 'COORDINATOR', 'APPROVER', 'REQUESTER', 'READER'];

export function may(session: Schemas['Session'] | undefined, role: Role): boolean {
  return session?.roles.includes(role) ?? false;
}

/** Whether who is signed in has a role. */
export function useMay(role: Role): boolean {
  return may(useSession().data, role);
}

/** The room that somebody begins in. */
export function home(session: Schemas['Session']): string {
  if (session.lacksFactor) return '/account';
  if (may(session, 'COORDINATOR')) return '/today';
  if (may(session, 'READER')) return '/archive';
  if (may(session, 'ADMINISTRATOR')) return '/people';
  return may(session, 'REQUESTER') ? '/asking' : '/mine';
}
