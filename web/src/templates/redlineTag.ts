import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { placedField } from './bench/bench';
import { keyOfSubject, subjectOfKey, type Subject } from './bench/things';

type Piece = Schemas['RedlinePiece'];
type Content = Schemas['TemplateDetail']['content'];

/** A tag of a redline in the coordinator's words, and what it leads to; the tag itself where nobody has named it. */
export function redlineTag(piece: Piece, content: Content): { says: string; opens?: string } {
  const signing = signingField(piece, content);
  if (signing)
    return {
      says: `[${signing.label}]`,
      opens: keyOfSubject({ kind: 'signing', name: signing.name }),
    };
  if (piece.tag === 'CLAUSE') {
    return { says: `[${say('templates.clause', { clause: piece.name.replaceAll('_', ' ') })}]` };
  }
  if (piece.tag === 'VALUE' && !piece.label && piece.name === 'position') {
    return { says: `[${say('templates.number-in-the-list')}]` };
  }
  if (!piece.label) return { says: piece.text };
  const subject = subjectOf(piece, content);
  return { says: saying(piece), ...(subject && { opens: keyOfSubject(subject) }) };
}

/** Passages are set off by the same marks as on the pages with names. */
function saying({ tag, label }: Piece): string {
  switch (tag) {
    case 'OPEN':
      return `‹${say('templates.for-passage', { name: label })}: `;
    case 'UNLESS':
      return `‹${say('templates.unless-passage', { name: label })}: `;
    case 'CLOSE':
      return '›';
    case 'CHOSEN_CLAUSE':
      return `[${say('templates.clause-by-choice', { label })}]`;
    default:
      return `[${label}]`;
  }
}

function subjectOf({ name, list }: Piece, content: Content): Subject | undefined {
  if (placedField(content, name, list)) return { kind: 'field', name, list };
  const rule = content.rules.findIndex((one) => one.name === name && one.within === list);
  if (rule >= 0) return { kind: 'rule', index: rule };
  const choice = content.choices.findIndex((one) => one.name === name);
  if (list) return undefined;
  return choice >= 0 ? { kind: 'choice', index: choice } : subjectOfKey(`own.${name}`);
}

/** A tag that means none of the data, and has a party before its dot. */
function signingField({ tag, label, name }: Piece, content: Content) {
  if (tag !== 'VALUE' || label) return undefined;
  return content.signingFields.find((one) => one.name === name.replace('.', '_'));
}
