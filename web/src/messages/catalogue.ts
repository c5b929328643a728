import { IntlMessageFormat } from 'intl-messageformat';
import en from '../../../core/src/main/resources/messages/participant.en.json';

export type Code = keyof typeof en;
export type Patterns = Record<Code, string>;
/** A message as the server sends it: its code, and arguments that may be messages themselves. */
export type Message = { code: string; arguments: Record<string, unknown> };
export type Language = 'en' | 'nl' | 'de' | 'fr';

const others: Record<Exclude<Language, 'en'>, () => Promise<{ default: Patterns }>> = {
  nl: () => import('../../../core/src/main/resources/messages/participant.nl.json'),
  de: () => import('../../../core/src/main/resources/messages/participant.de.json'),
  fr: () => import('../../../core/src/main/resources/messages/participant.fr.json'),
};

/** Says messages in one language; the same patterns serve mails and the signing record. */
export class Catalogue {
  private readonly locale: string;

  constructor(
    readonly language: Language,
    private readonly patterns: Patterns,
  ) {
    // English as it is written in Europe, where the day comes first
    this.locale = language === 'en' ? 'en-GB' : language;
  }

  say(code: Code, values: Record<string, unknown> = {}): string {
    return this.format(this.patterns[code], values);
  }

  /** What the server says by its code; undefined for a code that this catalogue lacks. */
  saying(message: Message | undefined): string | undefined {
    if (!message || !(message.code in this.patterns)) return undefined;
    return this.format(this.patterns[message.code as Code], message.arguments);
  }

  /** A day as the language writes it. */
  date(iso: string): string {
    return new Date(iso).toLocaleDateString(this.locale, { dateStyle: 'medium' });
  }

  private format(pattern: string, values: Record<string, unknown>): string {
    const said = Object.fromEntries(
      Object.entries(values).map(([name, value]) => [
        name,
        isMessage(value) ? (this.saying(value) ?? '') : (value as string | number),
      ]),
    );
    return String(
      new IntlMessageFormat(pattern, this.locale, undefined, { ignoreTag: true }).format(said),
    );
  }
}

function isMessage(value: unknown): value is Message {
  return typeof value === 'object' && value !== null && 'code' in value && 'arguments' in value;
}

export const english = new Catalogue('en', en);

/** The catalogue of a language; its words are fetched only when somebody speaks it. */
export async function catalogueOf(language: string): Promise<Catalogue> {
  const load = others[language as keyof typeof others];
  return load ? new Catalogue(language as Language, (await load()).default) : english;
}
