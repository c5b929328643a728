import type { FieldKind } from './kind';

/** What is known already; nobody can change it. */
export const copy: FieldKind = {
  settings: ['kind', 'source'],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.copy-kind',
  usual: (size) => ({ kind: 'copy', size }),
};
