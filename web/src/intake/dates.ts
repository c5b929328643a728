/** Dates as a language writes them in figures; stored ones are ISO 8601. */

const iso = /^(\d{4})-(\d\d)-(\d\d)$/;

/** A stored date at noon of that day here, so that no zone makes another day of it. */
export function dayOf(stored: string): Date | undefined {
  const read = iso.exec(stored);
  return read ? valid(Number(read[1]), Number(read[2]), Number(read[3])) : undefined;
}

export function storedDay(day: Date): string {
  const [month, date] = [day.getMonth() + 1, day.getDate()].map((one) => `${one}`.padStart(2, '0'));
  return `${`${day.getFullYear()}`.padStart(4, '0')}-${month}-${date}`;
}

function valid(year: number, month: number, day: number): Date | undefined {
  const made = new Date(year, month - 1, day, 12);
  made.setFullYear(year);
  return made.getMonth() === month - 1 && made.getDate() === day && year >= 1000 ? made : undefined;
}

const figures = (language: string) =>
  new Intl.DateTimeFormat(language, {
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    calendar: 'gregory',
    numberingSystem: 'latn',
  });

/** A stored date as it is typed in a language; what is no date is shown as it is. */
export function typedDate(stored: string, language: string): string {
  const day = dayOf(stored);
  return day ? figures(language).format(day) : stored;
}

/** How a date is typed in a language, by an example. */
export const exampleDate = (language: string) => typedDate('2027-12-31', language);

/**
 * The date that a person has typed, stored; undefined for what can't be read as one. In figures the language says what is day
 * and what is month; a month may be named in that language. A year has four figures: two could be any century's.
 */
export function readDate(text: string, language: string): string | undefined {
  const words = text.trim().replace(/\s+/g, ' ');
  if (iso.test(words)) return dayOf(words) && words;
  const numbers = words.split(/[\s./-]+/).filter(Boolean);
  if (numbers.length === 3 && numbers.every((one) => /^\d{1,4}$/.test(one))) {
    const order = figures(language)
      .formatToParts(new Date(2027, 11, 31))
      .flatMap(({ type }) => (type === 'day' || type === 'month' || type === 'year' ? [type] : []));
    const at = (type: string) => numbers[order.findIndex((one) => one === type)] ?? '';
    if (at('year').length !== 4) return undefined;
    const day = valid(Number(at('year')), Number(at('month')), Number(at('day')));
    return day && storedDay(day);
  }
  return named(words, language);
}

function named(words: string, language: string): string | undefined {
  const plain = (text: string) => text.toLocaleLowerCase(language).replace(/[.,]/g, '');
  const parts = plain(words).split(' ');
  const year = parts.find((one) => /^\d{4}$/.test(one));
  const date = parts.find((one) => /^\d{1,2}$/.test(one));
  if (!year || !date) return undefined;
  for (let month = 1; month <= 12; month++) {
    const names = (['long', 'short'] as const).map((width) =>
      plain(
        new Intl.DateTimeFormat(language, { month: width, day: 'numeric' })
          .formatToParts(new Date(2027, month - 1, 1))
          .find(({ type }) => type === 'month')?.value ?? '',
      ),
    );
    if (!parts.some((one) => names.includes(one))) continue;
    const day = valid(Number(year), month, Number(date));
    return day && storedDay(day);
  }
  return undefined;
}

/** The day on which weeks begin where the language is spoken; 0 is Sunday. */
export function firstWeekday(language: string): 0 | 1 | 2 | 3 | 4 | 5 | 6 {
  const locale = new Intl.Locale(language) as Intl.Locale & {
    getWeekInfo?: () => { firstDay: number };
  };
  return ((locale.getWeekInfo?.().firstDay ?? 1) % 7) as 0 | 1 | 2 | 3 | 4 | 5 | 6;
}
