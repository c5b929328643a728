import { describe, expect, it } from 'vitest';
import cases from '../../../core/src/test/resources/shown-fields.json';
import generated from '../../../core/src/test/resources/asked-fields.json';
import { requiredAmong, shownAmong } from './shown';

type Field = { name: string; field?: string; answer?: string };

describe('which fields are asked for, as the server judges it', () => {
  it.each(cases)('$case', ({ fields, answers, shown }) => {
    const asked = (fields as Field[]).map(({ name, field = '', answer = '' }) => ({
      name,
      when: { field, answer },
    }));
    expect(
      shownAmong(asked, answers as unknown as Record<string, string>).map(({ name }) => name),
    ).toEqual(shown);
  });
});

describe('three hundred generated cases, as the server judges them', () => {
  it('asks for the same fields and requires the same', () => {
    expect(generated).toHaveLength(300);
    for (const { fields, answers, shown, required } of generated) {
      const given = answers as unknown as Record<string, string>;
      const names = (of: { name: string }[]) => of.map(({ name }) => name);
      expect(names(shownAmong(fields, given))).toEqual(shown);
      expect(names(requiredAmong(fields, given))).toEqual(required);
    }
  });
});
