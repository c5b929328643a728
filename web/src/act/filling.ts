import { createContext, useContext, useMemo, useState } from 'react';
import type { Schemas } from '../api/client';
import { useSay } from '../messages/useSay';
import { kinds } from '../signingFields/kinds';
import { requiredAmong, shownAmong } from '../signingFields/shown';
import { keptMarks, type KeptMarks } from './mark/keptMarks';
import { useDerived } from './useDerived';
import { useKeptAnswers } from './useKeptAnswers';
import type { Mark, SigningPage, useAct } from './useAct';

export type Asked = Schemas['ToComplete'];

/** What a participant has filled in so far; the list, the text and the pages show the same. */
export type Filling = {
  values: Record<string, string>;
  set: (name: string, value: string) => void;
  /** Those that are asked with these answers. */
  asked: Asked[];
  required: Asked[];
  faults: Record<string, string>;
  /** Answers to what is asked. */
  given: Record<string, string>;
  /** Remembers what was handed in, so that a fault is told only as long as its answer stands. */
  handIn: () => Record<string, string>;
  derived: Schemas['Derived'][];
  /** What will be printed, by the field's name. */
  printed: Record<string, string>;
  mark: Mark | undefined;
  setMark: (mark: Mark | undefined) => void;
  initials: Mark | undefined;
  setInitials: (mark: Mark | undefined) => void;
  /** What this person kept the last time. */
  kept: KeptMarks | undefined;
  /** Whether the marks are to be kept for the next time. */
  keeping: boolean;
  setKeeping: (keeping: boolean) => void;
  /** The names of what is still open, in order; `mark` for the signature. */
  open: string[];
  /** Why what was typed isn't kept under the link. */
  unkept: ReturnType<typeof useKeptAnswers>;
};

export const FillingContext = createContext<Filling | undefined>(undefined);

/** What has been filled in, where somebody can fill in something. */
export const useFillingHere = () => useContext(FillingContext);

/** Where the signature and the initials stand among what is open. */
export const MARK = 'mark';
export const INITIALS = 'initials-mark';

export function useFilling(
  token: string,
  page: SigningPage | undefined,
  act: ReturnType<typeof useAct>,
): Filling {
  const words = useSay();
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [mark, setMark] = useState<Mark>();
  const [initials, setInitials] = useState<Mark>();
  const name = page?.name;
  const kept = useMemo(() => (name === undefined ? undefined : keptMarks(name)), [name]);
  const [keeping, setKeeping] = useState<boolean>();
  const [told, setTold] = useState<Record<string, string>>({});
  const values = useMemo(
    () => ({ ...(page && presets(page)), ...page?.begun, ...typed }),
    [page, typed],
  );
  const unkept = useKeptAnswers(token, page, typed);
  const asked = useMemo(() => shownAmong(page?.toComplete ?? [], values), [page, values]);
  // what was typed before another answer took its question away stays typed, and is not given
  const given = useMemo(() => {
    const names = new Set(asked.map(({ name }) => name));
    return Object.fromEntries(Object.entries(values).filter(([name]) => names.has(name)));
  }, [asked, values]);
  const derived = useDerived(token, page, given);
  const required = requiredAmong(page?.toComplete ?? [], values);
  const faults = Object.fromEntries(
    Object.entries(act.error?.faults ?? {})
      .filter(([name]) => (told[name] ?? '') === (values[name] ?? ''))
      .map(([name, fault]) => [name, words.saying(act.error?.saidFaults[name]) ?? fault]),
  );
  const open = required
    .filter((one) => !values[one.name]?.trim())
    .map(({ name }) => name)
    .concat(Object.keys(faults));
  if (page?.duty === 'SIGNS' && page.consented && !mark) open.push(MARK);
  if (page?.duty === 'SIGNS' && page.consented && page.initials && !initials) open.push(INITIALS);
  return {
    values,
    set: (name, value) => setTyped((before) => ({ ...before, [name]: value })),
    asked,
    required,
    faults,
    given,
    handIn: () => {
      const filled = Object.fromEntries(asked.map((one) => [one.name, values[one.name] ?? '']));
      setTold(filled);
      return filled;
    },
    derived,
    printed: { ...given, ...Object.fromEntries(derived.map(({ name, text }) => [name, text])) },
    mark,
    setMark,
    initials,
    setInitials,
    kept,
    // who kept them once goes on keeping what they sign with now
    keeping: keeping ?? kept !== undefined,
    setKeeping,
    open: [...new Set(open)],
    unkept,
  };
}

/** Before the consent to sign electronically nothing is filled in. */
export const canFill = (page: SigningPage) => page.duty !== 'SIGNS' || page.consented;

/** What stands in the fields before anything is typed. */
function presets(page: SigningPage): Record<string, string> {
  return Object.fromEntries(
    page.toComplete.map(({ name, type }) => [
      name,
      kinds[type.kind].asked?.preset(type, page) ?? '',
    ]),
  );
}
