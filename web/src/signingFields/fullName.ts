import type { FieldKind } from './kind';

export const fullName: FieldKind = {
  name: 'full name',
  shown: (given) => ({ text: given.name }),
};
