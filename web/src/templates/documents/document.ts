import type { Schemas } from '../../api/client';
import { partsOf, type WordingParts } from '../bench/bench';
import { subjectOfKey } from '../bench/things';
import type { Settings } from '../useTemplate';

export type TemplateDocument = Schemas['TemplateDocument'];
export type DataPlace = Schemas['DataPlace'];
export type Spot = DataPlace['spot'];

export const WORDING = 'wording';

/** The document that is shown: the one that the address names, or else the first. */
export function shownDocument({ documents }: Settings, id: string | null): TemplateDocument {
  const first = documents[0];
  if (!first) throw new Error('a template has a document');
  return documents.find((one) => one.id === id) ?? first;
}

/** The documents on which something stands, by the key of its card, in their order. */
export function documentsOf(
  { documents, rules, choices }: Settings,
  wordings: WordingParts[],
  key: string,
): string[] {
  const subject = subjectOfKey(key);
  const signing = subject?.kind === 'signing' ? subject.name : undefined;
  const name =
    subject?.kind === 'field'
      ? subject.list || subject.name
      : subject?.kind === 'rule'
        ? rules[subject.index]?.name
        : subject?.kind === 'choice'
          ? choices[subject.index]?.name
          : undefined;
  return documents
    .filter(({ id, places, data }) => {
      const wording = partsOf({ wordings }, id);
      return (
        places.some(({ field }) => field === signing) ||
        data.some(({ tag }) => tag.split('.')[0] === name) ||
        wording.signingFields.some((one) => one === signing) ||
        wording.names.some((one) => one === name)
      );
    })
    .map(({ id }) => id);
}

/** The document on which something is looked for: the one that is shown if it stands there. */
export function documentOf(
  settings: Settings,
  wordings: WordingParts[],
  key: string,
  shown: string,
): string | undefined {
  const all = documentsOf(settings, wordings, key);
  return all.includes(shown) ? shown : all[0];
}

/** What a document is called. */
export const titleOf = (document: TemplateDocument, template: string) => document.title || template;

export function withDocument(
  settings: Settings,
  id: string,
  part: Partial<TemplateDocument>,
): Settings {
  return {
    ...settings,
    documents: settings.documents.map((one) => (one.id === id ? { ...one, ...part } : one)),
  };
}

/** The documents with one moved up or down. */
export function withMoved(settings: Settings, id: string, by: -1 | 1): Settings {
  const documents = [...settings.documents];
  const from = documents.findIndex((one) => one.id === id);
  const to = from + by;
  const [one] = documents.splice(from, 1);
  if (!one || to < 0 || to > documents.length) return settings;
  documents.splice(to, 0, one);
  return { ...settings, documents };
}

/** A name for a document that comes with each agreement. */
export function freshId({ documents }: Settings): string {
  const taken = new Set(documents.map(({ id }) => id));
  let number = 1;
  while (taken.has(`requested_${number}`)) number++;
  return `requested_${number}`;
}
