import { expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { sayingOf } from './saying';

const field = (name: string, label: string, more: Partial<Schemas['Field']> = {}) => ({
  name,
  type: 'TEXT' as const,
  label,
  required: true,
  hint: '',
  choices: [],
  items: [],
  initial: '',
  ownAnswer: false,
  files: { kinds: [], megabytes: 5 },
  ...more,
});
const content = {
  fields: [
    field('abroad', 'They cross a border'),
    field('use', 'Kind of use', { type: 'CHOICE', choices: ['Book, printed', 'Film'] }),
    field('objects', 'Objects', { type: 'ITEMS', items: [field('has_gut', 'Gut strings')] }),
  ],
  rules: [
    { name: 'high', label: 'Value is high', within: '', expression: 'x', gives: 'YES_NO' as const },
  ],
  choices: [
    {
      name: 'cover',
      label: 'Cover',
      cases: [{ label: 'State indemnity', condition: 'x', clause: '' }],
    },
  ],
};

it('calls what decides a passage as the coordinator does', () => {
  expect(sayingOf(content, 'abroad')).toBe('They cross a border');
  expect(sayingOf(content, 'has_gut')).toBe('Gut strings');
  expect(sayingOf(content, 'high')).toBe('Value is high');
  expect(sayingOf(content, 'cover.state_indemnity')).toBe('Cover: State indemnity');
  expect(sayingOf(content, 'use.book_printed')).toBe('Kind of use: Book, printed');
});

it('keeps a name that nothing has yet', () => {
  expect(sayingOf(content, 'unknown')).toBe('unknown');
  expect(sayingOf(content, 'objects.one')).toBe('Objects: one');
  expect(sayingOf(content, 'gone.case')).toBe('gone.case');
});
