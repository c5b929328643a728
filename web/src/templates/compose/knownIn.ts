import { say } from '../../messages/rooms';
import type { Known } from '../bench/meant';
import { marks } from '../marks';

const said = (name: string) => {
  const words = name.replaceAll('_', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};

/** What the tags of a text name: its fields, and every mark of the parties that it has. */
export function knownIn(text: string): Known[] {
  const names = new Set<string>();
  const parties = new Set<string>();
  for (const [, content = ''] of text.matchAll(
    /\{\{\s*[#^/&]?\s*([\p{L}][\p{L}\p{N}_.]*)\s*\}\}/gu,
  )) {
    const [first = '', second] = content.split('.');
    if (second !== undefined && second in marks) parties.add(first);
    else names.add(first);
  }
  return [
    ...[...names].map((name) => ({ name, label: said(name) })),
    ...[...parties].flatMap((party) =>
      Object.entries(marks).map(([mark, code]) => ({
        name: `${party}.${mark}`,
        label: say('templates.field-of-party', { party: said(party), field: say(code) }),
      })),
    ),
  ];
}
