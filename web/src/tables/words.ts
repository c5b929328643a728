import type { Schemas } from '../api/client';
import type { RoomCode } from '../messages/rooms';

export const stateWords: Record<Schemas['TableDetail']['state'], RoomCode> = {
  READING: 'tables.reading',
  CHECKING: 'tables.checking',
  READY: 'tables.ready',
  GOING: 'tables.going',
  PAUSED: 'tables.paused',
  DONE: 'tables.done',
  STOPPED: 'tables.stopped',
  REFUSED: 'tables.refused',
};

export type Outcome = Schemas['TableRow']['outcome'];

export const outcomeWords: Record<Outcome, RoomCode> = {
  UNCHECKED: 'tables.unchecked',
  FAULTY: 'tables.faulty',
  NEW: 'tables.new',
  CHANGED: 'tables.changed',
  SAME: 'tables.same',
  PART: 'tables.part',
  DONE: 'tables.row-done',
};
