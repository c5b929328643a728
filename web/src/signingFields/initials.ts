import { mark, type FieldKind } from './kind';

export const initials: FieldKind = { name: 'signing-field.initials', settings: [], shown: mark };
