import { nameFor } from '../names';

/** Something that words can be tied to: a field, a rule, a case, a clause. */
export type Known = { name: string; label: string };

export type Meant = {
  name: string;
  /** What a thing that is new is called; empty for one that is there already. */
  label: string;
};

/**
 * What a person means by what they typed: something known by what it is called, or by its name; else something new, named after
 * the words.
 */
export function meant(typed: string, known: Known[]): Meant | undefined {
  const words = typed.trim();
  if (!words) return undefined;
  const same = (text: string) => text.toLowerCase() === words.toLowerCase();
  const found = known.find(({ name }) => name === words) ?? known.find(({ label }) => same(label));
  if (found) return { name: found.name, label: '' };
  if (/^\*?[\p{L}][\p{L}\p{N}_]*(\.[\p{L}\p{N}_]+)?$/u.test(words) && /[_.*]/.test(words)) {
    return { name: words, label: '' };
  }
  const name = nameFor(words);
  return name ? { name, label: words } : undefined;
}

/** A party and, after a comma or a colon, something that it is to complete, such as “Lender, VAT number”; else undefined. */
export function ofParty(
  typed: string,
  parties: { key: string; label: string }[],
): Meant | undefined {
  const comma = typed.search(/[,:]/);
  if (comma < 0) return undefined;
  const said = typed.slice(0, comma).trim().toLowerCase();
  const party = parties.find(({ key, label }) => label.toLowerCase() === said || key === said);
  const word = nameFor(typed.slice(comma + 1).trim());
  return party && word ? { name: `${party.key}.${word}`, label: '' } : undefined;
}
