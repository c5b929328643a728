import { describe, expect, it } from 'vitest';
import type { Field } from '../bench/bench';
import type { Settings } from '../useTemplate';
import { newField } from './AddQuestion';
import {
  moved,
  placeOf,
  plain,
  sectionsOf,
  sectionStepped,
  startsOf,
  stepped,
  textsOf,
  withNewSection,
  withoutSection,
  withQuestion,
  type Section,
} from './layout';

const field = (name: string, part: Partial<Field> = {}): Field => ({
  ...newField(name, new Set()),
  name,
  label: name.toUpperCase(),
  ...part,
});

const section = (title: string, names: string[], when = ''): Section => ({
  title,
  help: '',
  when,
  questions: names.map(plain),
});

const settings = (sections: Section[], fields: Field[]) =>
  ({ layout: { sections, words: {} }, fields }) as unknown as Settings;

const names = (sections: Section[]) =>
  sections.map(({ questions }) => questions.map((one) => one.field).join(' '));

const two = [section('A', ['a', 'b']), section('B', ['c'])];

describe('the form as it is arranged', () => {
  it('has all fields in one section before anybody arranges it', () => {
    expect(names(sectionsOf(settings([], [field('a'), field('b')])))).toEqual(['a b']);
    expect(names(sectionsOf(settings([], [])))).toEqual(['']);
  });

  it('has a new field where it does not come and go, and none that is gone or twice', () => {
    const sections = [section('A', ['a', 'x']), section('B', ['a', 'c'], 'rule')];
    expect(names(sectionsOf(settings(sections, [field('a'), field('c'), field('n')])))).toEqual([
      'a n',
      'c',
    ]);
    const onRule = [section('B', ['a'], 'rule')];
    expect(names(sectionsOf(settings(onRule, [field('a'), field('n')])))).toEqual(['a', 'n']);
    expect(names(sectionsOf(settings(onRule, [field('a')])))).toEqual(['a']);
  });
});

describe('moving', () => {
  it('puts a question before another one, in its own section and elsewhere', () => {
    expect(names(moved(two, 'a', { section: 0, at: 2 }))).toEqual(['b a', 'c']);
    expect(names(moved(two, 'b', { section: 0, at: 0 }))).toEqual(['b a', 'c']);
    expect(names(moved(two, 'b', { section: 1, at: 0 }))).toEqual(['a', 'b c']);
    expect(moved(two, 'nothing', { section: 1, at: 0 })).toBe(two);
    expect(moved(two, 'a', { section: 7, at: 0 })).toBe(two);
  });

  it('steps over the border of a section and stops at the ends', () => {
    expect(names(stepped(two, 'a', 1))).toEqual(['b a', 'c']);
    expect(names(stepped(two, 'b', 1))).toEqual(['a', 'b c']);
    expect(names(stepped(two, 'c', -1))).toEqual(['a b c', '']);
    expect(stepped(two, 'a', -1)).toBe(two);
    expect(stepped(two, 'c', 1)).toBe(two);
  });

  it('moves a section with its questions', () => {
    expect(names(sectionStepped(two, 0, 1))).toEqual(['c', 'a b']);
    expect(sectionStepped(two, 1, 1)).toBe(two);
  });

  it('keeps every question when a section goes', () => {
    expect(names(withoutSection(two, 1))).toEqual(['a b c']);
    expect(names(withoutSection(two, 0))).toEqual(['a b c']);
    const one = [section('A', ['a'])];
    expect(withoutSection(one, 0)).toBe(one);
  });

  it('adds a section at the end, and changes a question where it stands', () => {
    expect(names(withNewSection(two, 'C'))).toEqual(['a b', 'c', '']);
    const half = withQuestion(two, 'c', { width: 'HALF' });
    expect(half[1]?.questions[0]?.width).toBe('HALF');
    expect(placeOf(half, 'c')).toEqual({ section: 1, at: 0 });
    expect(placeOf(half, 'zz').at).toBe(-1);
  });
});

describe('texts to be said in other languages', () => {
  it('are each there once, those of items and choices too, and none of what is not shown', () => {
    const fields = [
      field('a', { hint: 'A hint', choices: ['By road', 'By air'], type: 'CHOICE' }),
      field('b', { type: 'ITEMS', items: [field('title', { hint: 'A hint' })] }),
      field('hidden'),
    ];
    const sections = [
      {
        title: 'Who',
        help: '',
        when: '',
        questions: [
          { ...plain('a'), before: 'First this', placeholder: 'As in' },
          plain('b'),
          { ...plain('hidden'), visibility: 'HIDDEN' as const },
        ],
      },
    ];
    expect(textsOf(settings(sections, fields))).toEqual([
      'Who',
      'First this',
      'A',
      'A hint',
      'By road',
      'By air',
      'As in',
      'B',
      'TITLE',
    ]);
  });
});

describe('a question that the wording has no tag for', () => {
  it('is named after its label, unlike all others', () => {
    expect(newField('Condition report', new Set()).name).toBe('condition_report');
    expect(newField('Condition report', new Set(['condition_report'])).name).toBe(
      'condition_report_2',
    );
    expect(newField('報告', new Set()).name).toBe('question');
  });

  it('begins only with what its type can be', () => {
    expect(startsOf('DATE')).toEqual(['FIXED', 'TODAY', 'RULE']);
    expect(startsOf('FILE')).toEqual(['FIXED']);
  });
});
