import type { FieldKind } from './kind';

export const dateSigned: FieldKind = {
  name: 'signing-field.date-signed',
  settings: [],
  shown: (given) => ({ text: given.date }),
};
