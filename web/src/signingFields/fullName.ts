import type { FieldKind } from './kind';

export const fullName: FieldKind = {
  name: 'signing-field.full-name',
  settings: [],
  shown: (given) => ({ text: given.name }),
};
