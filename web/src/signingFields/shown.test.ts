import { describe, expect, it } from 'vitest';
import cases from '../../../core/src/test/resources/shown-fields.json';
import { shownAmong } from './shown';

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
