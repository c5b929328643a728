import type { ComponentType } from 'react';
import type { Schemas } from '../api/client';
import type { Code } from '../messages/catalogue';
import type { RoomCode } from '../messages/rooms';

export type Placed = Schemas['PlacedField'];
export type FieldType = Schemas['SigningField']['type'];
export type Kind = FieldType['kind'];

/** What a participant has given so far, and what the program will fill in when they act. */
export type Given = {
  answer: string;
  name: string;
  date: string;
  /** The mark as a PNG in base64; none before it is made. */
  mark: string | undefined;
  /** Of the document. */
  language: string;
};

/** What is known where a page is opened. */
export type Opening = {
  /** In which numbers are typed there. */
  language: string;
  /** The office's day, as `2026-11-26`. */
  today: string;
};

export type Setting =
  | 'kind'
  | 'required'
  | 'hint'
  | 'check'
  | 'options'
  | 'spread'
  | 'preset'
  | 'whole'
  | 'limits'
  | 'statement'
  | 'when'
  | 'requiredWhen'
  | 'source'
  | 'repeats'
  | 'lengths'
  | 'pattern'
  | 'currency'
  | 'formula'
  | 'gives';

/** How one kind of signing field is named and looks while it is completed. */
export type FieldKind = {
  /** In a margin, after the party's name; none for a field that is known by its own label. */
  name?: Code;
  /** What can be settled about it besides its size, in the order in which it is asked for. */
  settings: readonly Setting[];
  /** What stands in its place now. */
  shown: (given: Given) => { text: string; lines?: boolean } | { picture: string };
  /** What the kind is called where a coordinator chooses it; none for one that only its own tag makes. */
  called?: RoomCode;
  /** The kind with its usual settings, for a field that was of another one. */
  usual?: (size: Schemas['BoxSize']) => FieldType;
  /** How the party is asked for it; none for what the program or the mark fills in. */
  asked?: {
    Input: ComponentType<AskedProps>;
    hint: (type: FieldType) => string;
    /** What stands there before anything is typed. */
    preset: (type: FieldType, opening: Opening) => string;
  };
};

export type AskedProps = {
  id: string;
  /** What it is called, for what is more than one input. */
  label: string;
  type: FieldType;
  value: string;
  onChange: (value: string) => void;
  fault: string | undefined;
};

export const mark = (given: Given) => (given.mark ? { picture: given.mark } : { text: '' });
