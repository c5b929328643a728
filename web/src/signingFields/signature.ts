import { mark, type FieldKind } from './kind';

export const signature: FieldKind = { name: 'signing-field.signature', settings: [], shown: mark };
