import { mark, type FieldKind } from './kind';

export const initials: FieldKind = { name: 'initials', shown: mark };
