import type { FieldKind } from './kind';

export const dateSigned: FieldKind = {
  name: 'date of signing',
  shown: (given) => ({ text: given.date }),
};
