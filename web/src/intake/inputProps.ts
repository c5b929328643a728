import type { ComponentType } from 'react';
import type { Schemas } from '../api/client';
import type { describedBy } from '../ui/parts';

export type Field = Schemas['Field'];

export type Answers = {
  values: Record<string, string>;
  people: Record<string, Schemas['PersonInput']>;
  /** Rows of registers that answers were taken from. */
  taken?: Schemas['TakenAnswer'][];
};

/** What an input that is made of several parts works with: one text that holds them all. */
export type PartsProps = {
  id: string;
  field: Field;
  value: string;
  onChange: (value: string) => void;
  /** What is wrong within the items of a list, by item and field. */
  within?: Record<string, string> | undefined;
  /** Told when a list's items are in another order: what was wrong with one is another's place. */
  onArrange?: (() => void) | undefined;
  describedBy: ReturnType<typeof describedBy>;
  /** The input of one datum, for an input that asks for data within data. */
  Datum: ComponentType<DatumProps>;
};

/** What the input of one datum works with. */
export type DatumProps = {
  id: string;
  field: Field;
  fault?: string | undefined;
  /** What is wrong within the items of a list, by item and field. */
  within?: Record<string, string> | undefined;
  onArrange?: (() => void) | undefined;
  value: string;
  inputRef?: React.Ref<HTMLInputElement & HTMLTextAreaElement & HTMLSelectElement>;
  onChange: (value: string) => void;
  /** How the form asks for it, where it has arranged that. */
  asked?: Pick<Schemas['FormQuestion'], 'placeholder' | 'readOnly' | 'tick'> | undefined;
};
