import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import type { Settings } from './useTemplate';

function unused({ rules, choices }: Settings, stem: string): string {
  const taken = [...rules, ...choices].map((one) => one.name);
  let name = stem;
  for (let i = 2; taken.includes(name); i++) name = `${stem}_${i}`;
  return name;
}

/** A rule that says nothing yet. */
export function newRule(settings: Settings): Schemas['Rule'] {
  return {
    name: unused(settings, 'new_rule'),
    label: say('templates.new-rule'),
    within: '',
    expression: '',
    gives: 'YES_NO',
  };
}

/** A choice between two cases that says nothing yet. */
export function newChoice(settings: Settings): Schemas['CaseChoice'] {
  return {
    name: unused(settings, 'new_choice'),
    label: say('templates.new-choice'),
    cases: [
      { label: say('templates.first-case'), condition: '', clause: '' },
      { label: say('templates.otherwise'), condition: '', clause: '' },
    ],
  };
}
