import { Problem, type Schemas } from '../api/client';
import type { RoomCode } from '../messages/rooms';

export type RecordTerms = Schemas['RecordTerms'];
export type RealRecord = Schemas['RealRecord'];
export type Taken = Schemas['TakenFrom'];
export type Step = Schemas['StepItem']['step'];

/** The steps that are written back, in their order. */
export const steps: { step: Step; name: RoomCode }[] = [
  { step: 'RECEIVED', name: 'records.step-received' },
  { step: 'MADE', name: 'records.step-made' },
  { step: 'SENT', name: 'records.step-sent' },
  { step: 'SEEN', name: 'records.step-seen' },
  { step: 'COMPLETED', name: 'records.step-completed' },
  { step: 'DECLINED', name: 'records.step-declined' },
  { step: 'EXPIRED', name: 'records.step-expired' },
  { step: 'WITHDRAWN', name: 'records.step-withdrawn' },
  { step: 'FAULTY', name: 'records.step-faulty' },
];

export const stepName = (step: Step): RoomCode =>
  steps.find((one) => one.step === step)?.name ?? 'records.step-received';

export const stepStates: Record<Schemas['StepItem']['state'], RoomCode> = {
  WAITING: 'records.to-be-written',
  DONE: 'records.written',
  GIVEN_UP: 'records.given-up',
};

export const systemStates: Record<Schemas['RecordSystemItem']['state'], RoomCode> = {
  ON: 'records.on',
  PAUSED: 'records.paused',
  ENDED: 'records.ended',
};

/** What a new one begins with. */
export const fresh: RecordTerms = {
  title: '',
  form: '',
  place: {
    address: '',
    list: 'records?status={status}',
    items: '',
    key: '/id',
    one: 'records/{id}',
    status: '/status',
    wanted: '',
    everyMinutes: 5,
    notice: '',
  },
  related: [],
  dates: 'YEAR_FIRST',
  numbers: 'POINT',
  taken: [],
  back: { statuses: {}, number: '', link: '', said: '', file: '', name: '', signingRecord: false },
};

/** What programs read, as it could be written. */
export const examples = {
  address: 'https://collection.example.org/api/',
  related: 'records/{id}/objects',
  file: 'records/{id}/files/{name}',
  name: 'Agreements/{{agreement_number}}',
};

/** What the server found wrong, by the place in the terms. */
export const faultsOf = (error: unknown): Record<string, string> =>
  error instanceof Problem ? error.faults : {};

/** The terms with another source for a field; one that says nothing is none. */
export function withTaken(taken: Taken[], field: string, source: Omit<Taken, 'field'>): Taken[] {
  const others = taken.filter((one) => one.field !== field);
  return source.from || source.text ? [...others, { field, ...source }] : others;
}

/** The terms with all items of a list taken from other rows. */
export function withRows(taken: Taken[], list: string, rows: string): Taken[] {
  return taken.flatMap((one) =>
    one.field.startsWith(`${list}.`) ? (rows ? [{ ...one, rows }] : []) : [one],
  );
}

/** What is proposed for fields that nothing was said of yet. */
export function fresher(taken: Taken[], proposed: Taken[]): Taken[] {
  const rowsOf = new Map(
    taken.filter((one) => one.rows).map((one) => [one.field.split('.')[0], one.rows]),
  );
  return proposed.filter(
    (one) =>
      !taken.some(({ field }) => field === one.field) &&
      (rowsOf.get(one.field.split('.')[0]) ?? one.rows) === one.rows,
  );
}
