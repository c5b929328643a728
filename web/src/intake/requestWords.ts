import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';

export type Stage = Schemas['RequestRow']['stage'];

/** How far a request has come, in words; in the order in which it comes. */
export const stages: [Stage, RoomCode][] = [
  ['WAITING', 'intake.stage-waiting'],
  ['CHECK', 'intake.stage-check'],
  ['OUT', 'intake.stage-out'],
  ['DONE', 'intake.stage-done'],
  ['ENDED', 'intake.stage-ended'],
];

export function stageWords(stage: Stage): string {
  const code = stages.find(([one]) => one === stage)?.[1];
  return code ? say(code) : stage;
}

/** One line of a request's history as a sentence. */
export function historyWords({ kind, by, said }: Schemas['HistoryLine']): string {
  const who = by || say('intake.history-program');
  switch (kind) {
    case 'CAME':
      return say('intake.history-came', { by: who });
    case 'CORRECTED':
      return say('intake.history-corrected', { by: who });
    case 'OWNED':
      return said
        ? said === by
          ? say('intake.history-took', { by: who })
          : say('intake.history-gave', { by: who, owner: said })
        : say('intake.history-left', { by: who });
    case 'MADE':
      return say('intake.history-made', { by: who, agreement: said });
    case 'REPLACED': {
      const [made = '', before = ''] = said.split(' ');
      return say('intake.history-replaced', { by: who, made, before });
    }
    default:
      return say('intake.history-said', { by: who });
  }
}
