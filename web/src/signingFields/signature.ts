import { mark, type FieldKind } from './kind';

export const signature: FieldKind = { name: 'signature', shown: mark };
