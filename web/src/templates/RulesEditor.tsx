import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { Button, Empty } from '../ui/parts';
import { ChoiceCard } from './ChoiceCard';
import { RuleCard } from './RuleCard';
import type { Settings } from './useTemplate';

type Rule = Schemas['Rule'];
type Choice = Schemas['CaseChoice'];
type Detail = Schemas['TemplateDetail'];

/** Rules and choices: what follows from the data, in FEEL, with what each gives for every specimen. */
export function RulesEditor({
  settings,
  detail,
  fixed,
  onChange,
}: {
  settings: Settings;
  detail: Detail;
  fixed: boolean;
  onChange: (settings: Settings) => void;
}) {
  const { rules, choices } = settings;
  const setRules = (next: Rule[]) => onChange({ ...settings, rules: next });
  const setChoices = (next: Choice[]) => onChange({ ...settings, choices: next });
  const unused = (stem: string) => {
    const taken = [...rules, ...choices].map((one) => one.name);
    let name = stem;
    for (let i = 2; taken.includes(name); i++) name = `${stem}_${i}`;
    return name;
  };
  return (
    <div className="flex flex-col gap-4">
      {!rules.length && !choices.length && (
        <Empty>{say('templates.a-rule-says-what-follows')}</Empty>
      )}
      {rules.map((rule, i) => (
        <RuleCard
          key={i}
          rule={rule}
          settings={settings}
          detail={detail}
          fixed={fixed}
          onChange={(next) => setRules(rules.map((one, at) => (at === i ? next : one)))}
          onRemove={() => setRules(rules.filter((_, at) => at !== i))}
        />
      ))}
      {choices.map((choice, i) => (
        <ChoiceCard
          key={i}
          choice={choice}
          settings={settings}
          detail={detail}
          fixed={fixed}
          onChange={(next) => setChoices(choices.map((one, at) => (at === i ? next : one)))}
          onRemove={() => setChoices(choices.filter((_, at) => at !== i))}
        />
      ))}
      {!fixed && (
        <div className="flex gap-2">
          <Button
            onClick={() =>
              setRules([
                ...rules,
                {
                  name: unused('new_rule'),
                  label: say('templates.new-rule'),
                  within: '',
                  expression: '',
                  gives: 'YES_NO',
                },
              ])
            }
          >
            {say('templates.add-a-rule')}
          </Button>
          <Button
            onClick={() =>
              setChoices([
                ...choices,
                {
                  name: unused('new_choice'),
                  label: say('templates.new-choice'),
                  cases: [
                    { label: say('templates.first-case'), condition: '', clause: '' },
                    { label: say('templates.otherwise'), condition: '', clause: '' },
                  ],
                },
              ])
            }
          >
            {say('templates.add-a-choice-between-cases')}
          </Button>
        </div>
      )}
    </div>
  );
}
