import { IntlMessageFormat } from 'intl-messageformat';
import patterns from './rooms.en.json';

export type RoomCode = keyof typeof patterns;

const prepared = new Map<RoomCode, IntlMessageFormat>();

/**
 * What the office's rooms say. The office works in English; its words are in a catalogue of the same kind as those that
 * participants meet, so that another language is another file.
 */
export function say(code: RoomCode, values: Record<string, unknown> = {}): string {
  let format = prepared.get(code);
  if (!format) {
    format = new IntlMessageFormat(patterns[code], 'en-GB', undefined, { ignoreTag: true });
    prepared.set(code, format);
  }
  const shown = Object.fromEntries(
    Object.entries(values).map(([name, value]) => [name, (value ?? '') as string | number]),
  );
  return String(format.format(shown));
}
