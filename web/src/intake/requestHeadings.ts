import type { Schemas } from '../api/client';
import { say, type RoomCode } from '../messages/rooms';
import { stageWords } from './requestWords';

type Row = Schemas['RequestRow'];

export type Age = Row['age'];

/** Under which headings the list of requests can stand. */
export type Heading = 'STAGE' | 'TEMPLATE' | 'OWNER' | 'AGE';

export const ages: [Age, RoomCode][] = [
  ['TODAY', 'intake.age-today'],
  ['WEEK', 'intake.age-week'],
  ['MONTH', 'intake.age-month'],
  ['OLDER', 'intake.age-older'],
];

export const headingNames: [Heading, RoomCode][] = [
  ['STAGE', 'intake.stage'],
  ['TEMPLATE', 'intake.template'],
  ['OWNER', 'intake.owner'],
  ['AGE', 'intake.age'],
];

/** The heading of a row, with how many stand under it on all pages. */
export function headingOf(
  row: Pick<Row, 'stage' | 'template' | 'templateId' | 'owner' | 'ownerMail' | 'age'>,
  under: Heading,
  counts: Schemas['HeadingCount'][],
): { key: string; title: string } {
  const age = ages.find(([one]) => one === row.age)?.[1] ?? 'intake.age-older';
  const [key, name] = {
    STAGE: [row.stage, stageWords(row.stage)],
    TEMPLATE: [row.templateId, row.template],
    OWNER: [row.ownerMail, row.owner || say('intake.nobody')],
    AGE: [row.age, say(age)],
  }[under] as [string, string];
  const count = counts.find((one) => one.key === key)?.count;
  return { key, title: count === undefined ? name : say('intake.heading', { name, count }) };
}
