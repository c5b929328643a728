import type { Schemas } from '../../api/client';
import { say, type RoomCode } from '../../messages/rooms';

/** How a link stands, in words. */
export const stateWords: Record<Schemas['FormLinkRow']['state'], RoomCode> = {
  OPEN: 'links.open',
  CLOSED: 'links.closed',
  ENDED: 'links.ended',
  FULL: 'links.full',
  RESTING: 'links.resting',
};

/** How many answers have come, of how many there may be. */
export function taken({ taken: count, most }: Pick<Schemas['FormLinkRow'], 'taken' | 'most'>) {
  return most ? say('links.of', { count, most }) : String(count);
}
