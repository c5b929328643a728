import type { RoomCode } from '../messages/rooms';

/** What a party's mark is called, by the word that its tag has. */
export const marks: Record<string, RoomCode> = {
  signature: 'templates.mark-signature',
  full_name: 'templates.mark-full_name',
  date_signed: 'templates.mark-date_signed',
  initials: 'templates.mark-initials',
};
