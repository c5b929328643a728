import known from '../../../core/src/main/resources/org/jalousie/core/data/addresses.json';

const formats: Record<string, { format: string }> = known;

/** The parts of a postal address in vCard's order of them, by the letters of the formats. */
const places: Record<string, number> = { A: 2, C: 3, S: 4, Z: 5 };

/** Street, postal code, town, region: where nothing is known of a country. */
const usual = [2, 5, 3, 4];

/** The parts in the order in which a country's post wants them; those that it has no place for come last. */
export function partOrder(country: string): number[] {
  const format = formats[country.toUpperCase()]?.format ?? '';
  const asked = [...format.matchAll(/%([ACSZ])/g)].map(([, letter]) => places[letter ?? ''] ?? 0);
  return asked.length ? [...asked, ...usual.filter((one) => !asked.includes(one))] : usual;
}

/** Whether a country's post has a place for a part. */
export const hasPart = (country: string, part: number): boolean =>
  !(country.toUpperCase() in formats) ||
  Object.entries(places).some(
    ([letter, at]) => at === part && formats[country.toUpperCase()]?.format.includes(`%${letter}`),
  );

type Country = { code: string; name: string };

/** By language: a page is in one or two of them. */
const named = new Map<string, Country[]>();

/** What countries are called in a language, with their codes (ISO 3166-1), in its alphabet. */
export function countriesIn(language: string): Country[] {
  const before = named.get(language);
  if (before) return before;
  const names = new Intl.DisplayNames(language, { type: 'region' });
  const all = Object.keys(formats)
    .map((code) => ({ code, name: names.of(code) ?? code }))
    .sort((a, b) => a.name.localeCompare(b.name, language));
  named.set(language, all);
  return all;
}

/** The code of a country that is named so, as it is kept; what is none is kept as it is typed. */
export function storedCountry(typed: string, language: string): string {
  const plain = typed.trim().toLocaleLowerCase(language);
  return (
    countriesIn(language).find(({ name }) => name.toLocaleLowerCase(language) === plain)?.code ??
    typed
  );
}

/** A country as it is read; what is no code is read as it stands. */
export const typedCountry = (stored: string, language: string): string =>
  (stored in formats && new Intl.DisplayNames(language, { type: 'region' }).of(stored)) || stored;
