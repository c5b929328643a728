import type { FieldKind } from './kind';

/** What the server works out of the answers; the page shows it as it is typed. */
export const workedOut: FieldKind = {
  settings: ['kind', 'gives', 'formula'],
  shown: (given) => ({ text: given.answer }),
  called: 'templates.worked-out-kind',
  usual: ({ heightMm }) => ({
    kind: 'worked_out',
    size: { widthMm: 34, heightMm },
    formula: '',
    gives: 'NUMBER',
  }),
};
