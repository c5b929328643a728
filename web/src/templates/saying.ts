import type { Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { caseKey } from './names';

type Content = Pick<Schemas['TemplateDetail']['content'], 'fields' | 'rules' | 'choices'>;

/** What a coordinator calls what decides a passage: a field, a rule, or one case of a choice; else its name in the wording. */
export function sayingOf({ fields, rules, choices }: Content, name: string): string {
  const all = fields.flatMap((field) => [field, ...field.items]);
  const [base = '', key] = name.split('.');
  if (key === undefined) {
    return [...all, ...rules, ...choices].find((one) => one.name === name)?.label ?? name;
  }
  const choice = choices.find((one) => one.name === base);
  const field = all.find((one) => one.name === base);
  const label = choice?.label ?? field?.label;
  const found =
    choice?.cases.find((one) => caseKey(one.label) === key)?.label ??
    field?.choices.find((one) => caseKey(one) === key) ??
    key.replaceAll('_', ' ');
  return label ? say('templates.case-of', { label, found }) : name;
}
