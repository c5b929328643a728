import type { Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { byKey, valueKey, type Line } from '../../page/printed';
import type { Thing } from '../../page/thing';
import type { Sheet } from '../../page/useOpened';
import { caseKey } from '../names';
import { sayingOf } from '../saying';
import { allFields, type Detail, type WordingParts } from './bench';

/** What a note is about; its key is an address, so that an open card can be sent to a colleague. */
export type Subject =
  | { kind: 'field'; name: string; list: string }
  | { kind: 'rule'; index: number }
  | { kind: 'choice'; index: number }
  | { kind: 'passage'; number: number }
  | { kind: 'cases'; numbers: number[] }
  | { kind: 'clause'; number: number }
  | { kind: 'signing'; name: string }
  | { kind: 'own'; name: OwnName };

/** What every agreement has without being asked for. */
export type OwnName = 'agreement_number' | 'generated_on';
const own: Record<OwnName, string> = {
  agreement_number: say('templates.agreement-number'),
  generated_on: say('templates.day-of-generation'),
};

/** Key and subject are the two ways of writing one thing. */
export function keyOfSubject(subject: Subject): string {
  switch (subject.kind) {
    case 'field':
      return `field.${valueKey(subject.name, subject.list)}`;
    case 'rule':
    case 'choice':
      return `${subject.kind}.${subject.index}`;
    case 'passage':
    case 'clause':
      return `${subject.kind}.${subject.number}`;
    case 'cases':
      return `cases.${subject.numbers.join('-')}`;
    case 'signing':
    case 'own':
      return `${subject.kind}.${subject.name}`;
  }
}

export function subjectOfKey(key: string): Subject | undefined {
  const dot = key.indexOf('.');
  const [kind, rest] = [key.slice(0, dot), key.slice(dot + 1)];
  const [first = '', second] = rest.split('.');
  const number = Number(first);
  switch (kind) {
    case 'field':
      return second === undefined
        ? { kind, name: first, list: '' }
        : { kind, name: second, list: first };
    case 'rule':
    case 'choice':
      return Number.isInteger(number) ? { kind, index: number } : undefined;
    case 'passage':
    case 'clause':
      return Number.isInteger(number) ? { kind, number } : undefined;
    case 'cases':
      return { kind, numbers: rest.split('-').map(Number) };
    case 'signing':
      return { kind, name: rest };
    case 'own':
      return rest in own ? { kind, name: rest as OwnName } : undefined;
    default:
      return undefined;
  }
}

/** What the left margin tells of: fields, what rules work out, clauses, and passages that depend on something. */
export function dataThings(detail: Shown, sheet: Sheet): Thing[] {
  const { content } = detail;
  const lines = byKey(sheet.printed);
  const of = (key: string) => lines.get(key) ?? [];
  const thing = (subject: Subject, label: string, own: Line[], spans = false): Thing => ({
    key: keyOfSubject(subject),
    label,
    lines: own,
    spans,
  });
  return [
    ...allFields(content.fields).map(({ field: { name, label }, lists }) => {
      const list = lists.at(-1)?.name ?? '';
      return thing({ kind: 'field', name, list }, label, of(valueKey(name, list)));
    }),
    ...content.rules.map((rule, index) =>
      thing(
        { kind: 'rule', index },
        say('templates.label-of-rule', { label: rule.label }),
        of(valueKey(rule.name, rule.within)),
      ),
    ),
    ...(Object.keys(own) as OwnName[])
      .filter((name) => of(name).length > 0)
      .map((name) => thing({ kind: 'own', name }, own[name], of(name))),
    ...detail.includes.map((one, number) =>
      thing(
        { kind: 'clause', number },
        one.clause === 'answers.block'
          ? say('templates.all-answers-called')
          : say('templates.clause', { clause: one.clause.replaceAll('_', ' ') }),
        of(`clause-${number}`),
        true,
      ),
    ),
    ...passageThings(detail, of),
  ];
}

type Passage = Schemas['Passage'];

/** Settings with what the shown wording has. */
type Shown = Pick<Detail, 'content'> & Pick<WordingParts, 'passages' | 'includes'>;

/** Cases of one choice that follow one another are one thing, so that their brackets stand side by side under one note. */
function passageThings(detail: Shown, of: (key: string) => Line[]): Thing[] {
  const things: Thing[] = [];
  let group: Passage[] = [];
  const close = () => {
    if (group.length > 1) things.push(casesThing(detail, group, of));
    else things.push(...group.map((one) => passageThing(detail, one, of)));
    group = [];
  };
  for (const passage of detail.passages) {
    const goesOn =
      choiceOf(detail, passage) && choiceOf(detail, passage) === choiceOf(detail, group.at(-1));
    if (!goesOn) close();
    group.push(passage);
  }
  close();
  return things;
}

/** The name of the choice whose case a passage is; empty when it is none's. */
function choiceOf(detail: Shown, passage: Passage | undefined): string {
  if (!passage || passage.inverted) return '';
  const [base = '', key] = passage.name.split('.');
  const known = [...detail.content.choices, ...detail.content.fields];
  return key !== undefined && known.some((one) => one.name === base) ? base : '';
}

export function passageLabel({ content }: Pick<Detail, 'content'>, passage: Passage): string {
  const name = sayingOf(content, passage.name);
  if (passage.inverted) return say('templates.unless-passage', { name });
  const list = content.fields.find((one) => one.name === passage.name && one.type === 'ITEMS');
  return list ? say('templates.for-each-of', { name }) : say('templates.for-passage', { name });
}

function passageThing(detail: Shown, passage: Passage, of: (key: string) => Line[]): Thing {
  return {
    key: keyOfSubject({ kind: 'passage', number: passage.number }),
    label: passageLabel(detail, passage),
    lines: of(`passage-${passage.number}`),
    spans: true,
  };
}

function casesThing(detail: Shown, passages: Passage[], of: (key: string) => Line[]): Thing {
  const { choices, fields } = detail.content;
  const base = choiceOf(detail, passages[0]);
  const choice = [...choices, ...fields].find((one) => one.name === base);
  const cases = passages.map((passage) => ({
    key: `passage-${passage.number}`,
    label: caseLabel(detail, passage),
    lines: of(`passage-${passage.number}`),
  }));
  return {
    key: keyOfSubject({ kind: 'cases', numbers: passages.map(({ number }) => number) }),
    label: say('templates.cases-of-choice', {
      choice: choice?.label ?? base,
      cases: [...new Set(cases.map(({ label }) => label))].join(' | '),
    }),
    lines: cases.flatMap(({ lines }) => lines),
    spans: true,
    cases,
  };
}

/** What a coordinator calls the case that a passage stands for. */
export function caseLabel({ content }: Pick<Detail, 'content'>, { name }: Passage): string {
  const [base, key = ''] = name.split('.');
  const choice = content.choices.find((one) => one.name === base);
  const field = content.fields.find((one) => one.name === base);
  return (
    choice?.cases.find((one) => caseKey(one.label) === key)?.label ??
    field?.choices.find((one) => caseKey(one) === key) ??
    key.replaceAll('_', ' ')
  );
}

/**
 * The signing field of the template that a place belongs to, and which of the tags that say the same it is, from 0: a field that
 * stands in several places has a number behind its name from the second on.
 */
export function placedAs(
  placed: Schemas['SigningField'],
  known: Schemas['SigningField'][],
): { name: string; occurrence: number } {
  const name = placed.sameAs || placed.name;
  if (known.some((one) => one.name === name)) return { name, occurrence: 0 };
  const numbered = /^(.+)_(\d+)$/.exec(name);
  const [, base = '', number = ''] = numbered ?? [];
  return known.some((one) => one.name === base)
    ? { name: base, occurrence: Number(number) - 1 }
    : { name, occurrence: 0 };
}

/** What the right margin tells of: the places of signing fields. */
export function actingThings(
  sheet: Sheet,
  fields: Schemas['SigningField'][],
): (Thing & { party: string })[] {
  const things = new Map<string, Thing & { party: string }>();
  for (const { field, page, x, y, width, height } of sheet.pages.fields) {
    const { party } = field;
    // a field that is filled again at another place is the same one
    const { name } = placedAs(field, fields);
    const known = things.get(name);
    const line = { page, x, y, width, height };
    if (known) known.lines.push(line);
    else {
      things.set(name, {
        key: keyOfSubject({ kind: 'signing', name }),
        label: field.label,
        lines: [line],
        spans: false,
        party,
      });
    }
  }
  return [...things.values()];
}
