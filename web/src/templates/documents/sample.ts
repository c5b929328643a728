import type { Settings } from '../useTemplate';
import type { TemplateDocument } from './document';
import { WORDING } from './document';
import { newField, newSigningField } from './putting';

/** A fixed document with what tests put on it. */
export const fixedDocument = (part: Partial<TemplateDocument> = {}): TemplateDocument => ({
  id: 'document_1',
  title: 'Receipt',
  kind: 'FIXED',
  when: '',
  file: 'a'.repeat(64),
  brought: 'b'.repeat(64),
  required: false,
  places: [],
  data: [],
  ...part,
});

/** Settings of a template with a wording and documents. */
export function settingsWith(
  documents: TemplateDocument[],
  part: Partial<Settings> = {},
): Settings {
  const wording: TemplateDocument = { ...fixedDocument(), id: WORDING, title: '', kind: 'WORDING' };
  const base = {
    language: 'en-GB',
    fields: [newField('instrument', 'Instrument')],
    parties: [
      { key: 'courier', label: 'Courier', duty: 'SIGNS', stage: 1 },
      { key: 'clerk', label: 'Clerk', duty: 'COMPLETES', stage: 2 },
    ] as Settings['parties'],
    signingFields: [],
    rules: [],
    choices: [],
    specimens: [],
    bundle: { contents: false, onlyOwn: false },
    documents: [wording, ...documents],
    ...part,
  };
  return base as unknown as Settings;
}

export const signature = (settings: Settings) =>
  newSigningField(settings, 'courier', 'signature', 'signature', { widthMm: 60, heightMm: 18 });
