import type { Schemas } from '../../api/client';
import type { Field } from '../bench/bench';
import type { Settings } from '../useTemplate';

export type Layout = Schemas['FormLayout'];
export type Section = Schemas['Section'];
export type Question = Schemas['Question'];

/** A question as it is before anybody arranges it. */
export const plain = (field: string): Question => ({
  field,
  help: '',
  visibility: 'SHOWN',
  placeholder: '',
  before: '',
  width: 'WHOLE',
  when: '',
  tick: false,
  start: { kind: 'FIXED', of: '' },
  totals: [],
  lookup: { register: '', fills: [], rows: [] },
});

const bare = (questions: Question[]): Section => ({ title: '', help: '', when: '', questions });

/** The form's sections with all fields in them; what nobody has placed stands last, where it doesn't come and go. */
export function sectionsOf({ layout, fields }: Pick<Settings, 'layout' | 'fields'>): Section[] {
  const left = new Set(fields.map(({ name }) => name));
  const sections = layout.sections.map((section) => ({
    ...section,
    questions: section.questions.filter(({ field }) => left.delete(field)),
  }));
  const unplaced = fields.filter(({ name }) => left.has(name)).map(({ name }) => plain(name));
  const last = sections.findLastIndex(({ when }) => !when);
  if (last < 0) {
    if (unplaced.length || !sections.length) sections.push(bare(unplaced));
    return sections;
  }
  return sections.map((one, i) =>
    i === last ? { ...one, questions: [...one.questions, ...unplaced] } : one,
  );
}

/** The settings with another arrangement. */
export const arranged = (settings: Settings, sections: Section[]): Settings => ({
  ...settings,
  layout: { ...settings.layout, sections },
});

/** The sections with one question changed. */
export const withQuestion = (
  sections: Section[],
  field: string,
  part: Partial<Question>,
): Section[] =>
  sections.map((section) => ({
    ...section,
    questions: section.questions.map((one) => (one.field === field ? { ...one, ...part } : one)),
  }));

/** The sections with one of them changed. */
export const withSection = (sections: Section[], at: number, part: Partial<Section>): Section[] =>
  sections.map((one, i) => (i === at ? { ...one, ...part } : one));

/** Where a question stands: in which section, and which of its questions it is. */
export function placeOf(sections: Section[], field: string): { section: number; at: number } {
  const section = sections.findIndex(({ questions }) =>
    questions.some((one) => one.field === field),
  );
  return {
    section,
    at: sections[section]?.questions.findIndex((one) => one.field === field) ?? -1,
  };
}

/** Puts a question elsewhere. @param at before which of that section's questions, counted as they stand now */
export function moved(
  sections: Section[],
  field: string,
  to: { section: number; at: number },
): Section[] {
  const from = placeOf(sections, field);
  const question = sections[from.section]?.questions[from.at];
  if (!question || !sections[to.section]) return sections;
  const at = from.section === to.section && from.at < to.at ? to.at - 1 : to.at;
  return sections.map((section, i) => {
    const questions = section.questions.filter((one) => one !== question);
    if (i !== to.section) return { ...section, questions };
    return { ...section, questions: questions.toSpliced(at, 0, question) };
  });
}

/** One step up or down, into the section beside where its own ends. */
export function stepped(sections: Section[], field: string, step: -1 | 1): Section[] {
  const { section, at } = placeOf(sections, field);
  const length = sections[section]?.questions.length ?? 0;
  if (step < 0 && at > 0) return moved(sections, field, { section, at: at - 1 });
  if (step > 0 && at < length - 1) return moved(sections, field, { section, at: at + 2 });
  const beside = sections[section + step];
  if (!beside) return sections;
  return moved(sections, field, {
    section: section + step,
    at: step < 0 ? beside.questions.length : 0,
  });
}

/** A section one place up or down, with its questions. */
export function sectionStepped(sections: Section[], at: number, step: -1 | 1): Section[] {
  const section = sections[at];
  const to = at + step;
  if (!section || to < 0 || to >= sections.length) return sections;
  return sections.toSpliced(at, 1).toSpliced(to, 0, section);
}

/** Without a section; its questions stay, in the one before it, or in the next where it was the first. */
export function withoutSection(sections: Section[], at: number): Section[] {
  const gone = sections[at];
  if (!gone || sections.length < 2) return sections;
  const into = at > 0 ? at - 1 : 1;
  return sections
    .map((one, i) => {
      if (i !== into) return one;
      const questions =
        at > 0 ? [...one.questions, ...gone.questions] : [...gone.questions, ...one.questions];
      return { ...one, questions };
    })
    .toSpliced(at, 1);
}

/** A further section at the end. @param title that nobody has given it yet */
export const withNewSection = (sections: Section[], title: string): Section[] => [
  ...sections,
  { ...bare([]), title },
];

/** Every text of the form that somebody reads who fills it, each once, in its order. */
export function textsOf(settings: Pick<Settings, 'layout' | 'fields'>): string[] {
  const texts: string[] = [];
  const field = (one: Field, question?: Question) => {
    texts.push(one.label, question?.help || one.hint, ...one.choices);
    one.items.forEach((item) => field(item));
  };
  for (const section of sectionsOf(settings)) {
    texts.push(section.title, section.help);
    for (const question of section.questions) {
      if (question.visibility === 'HIDDEN') continue;
      const of = settings.fields.find(({ name }) => name === question.field);
      texts.push(question.before);
      if (of) field(of, question);
      texts.push(question.placeholder);
    }
  }
  return [...new Set(texts.filter((text) => text.trim() !== ''))];
}

/** The names on which something may be asked: conditions of the whole agreement, and answers that are yes or no. */
export function conditionsOf(settings: Settings, but?: string): { name: string; label: string }[] {
  const rules = settings.rules.filter(({ gives, within }) => gives === 'YES_NO' && !within);
  const answers = settings.fields.filter(({ type, name }) => type === 'YES_NO' && name !== but);
  return [...rules, ...answers].map(({ name, label }) => ({ name, label }));
}

type Kind = Question['start']['kind'];

/** What a question about such a datum can begin with. */
export function startsOf(type: Field['type']): Kind[] {
  if (['ITEMS', 'PICTURE', 'FILE'].includes(type)) return ['FIXED'];
  const more: Partial<Record<Field['type'], Kind[]>> = {
    DATE: ['TODAY'],
    TEXT: ['PERSON', 'SERIES'],
    NAME: ['PERSON'],
  };
  return ['FIXED', ...(more[type] ?? []), 'RULE'];
}
