import { say } from '../../../messages/rooms';
import type { Schemas } from '../../../api/client';
import { Button, inputLook } from '../../../ui/parts';
import { typeWords } from '../../../ui/words';
import { ConditionBuilder } from '../../ConditionBuilder';
import { Faults, fieldsFor, Given, relabelled } from '../../ruleParts';
import type { Bench } from '../bench';
import { UsedBy } from './FieldCard';
import { Places, Setting, type Walk } from './parts';

type Rule = Schemas['Rule'];

const gives: Rule['gives'][] = ['YES_NO', 'NUMBER', 'MONEY', 'DATE', 'TEXT', 'ITEMS'];

/** One rule: its words, its name, what it gives, and its expression. */
export function RuleCard({
  bench,
  index,
  walk,
  onOpen,
}: {
  bench: Bench;
  index: number;
  walk?: Walk | undefined;
  onOpen: (key: string | undefined) => void;
}) {
  const { settings, detail, fixed } = bench;
  const rule = settings.rules[index];
  if (!rule) return null;
  const set = (rules: Rule[]) => bench.change({ ...settings, rules });
  const change = (part: Partial<Rule>) =>
    set(settings.rules.map((one, at) => (at === index ? { ...one, ...part } : one)));
  const lists = settings.fields.filter((field) => field.type === 'ITEMS');
  return (
    <fieldset
      disabled={fixed}
      aria-label={say('templates.rule', { name: rule.name })}
      className="flex min-w-0 flex-col gap-2"
    >
      <Setting label={say('templates.rule-in-your-words')}>
        <input
          className={inputLook}
          value={rule.label}
          onChange={(event) => change(relabelled(rule, event.target.value))}
        />
      </Setting>
      <Setting label={say('templates.expression-feel')}>
        <textarea
          rows={2}
          spellCheck={false}
          className={`${inputLook} font-mono`}
          value={rule.expression}
          onChange={(event) => change({ expression: event.target.value })}
        />
      </Setting>
      {!fixed && rule.gives === 'YES_NO' && (
        <ConditionBuilder
          of={rule.label}
          fields={fieldsFor(settings, rule)}
          expression={rule.expression}
          onChange={(expression) => change({ expression })}
        />
      )}
      <Faults detail={detail} name={rule.name} />
      <div className="grid grid-cols-2 gap-3">
        <Setting label={say('templates.gives')}>
          <select
            className={inputLook}
            value={rule.gives}
            onChange={(event) => change({ gives: event.target.value as Rule['gives'] })}
          >
            {gives.map((type) => (
              <option key={type} value={type}>
                {typeWords[type]}
              </option>
            ))}
          </select>
        </Setting>
        <Setting label={say('templates.worked-out-for')}>
          <select
            className={inputLook}
            value={rule.within}
            onChange={(event) => change({ within: event.target.value })}
          >
            <option value="">{say('templates.the-whole-agreement')}</option>
            {lists.map((list) => (
              <option key={list.name} value={list.name}>
                {say('templates.each-of', { label: list.label })}
              </option>
            ))}
          </select>
        </Setting>
      </div>
      <Setting label={say('templates.name-in-tags')}>
        <input
          className={`${inputLook} font-mono`}
          value={rule.name}
          onChange={(event) => change({ name: event.target.value })}
        />
      </Setting>
      {walk && <Places walk={walk} />}
      <UsedBy bench={bench} name={rule.name} onOpen={onOpen} />
      <Given detail={detail} name={rule.name} />
      {!fixed && (
        <Button
          className="self-start"
          onClick={() => {
            set(settings.rules.filter((_, at) => at !== index));
            onOpen(undefined);
          }}
        >
          {say('templates.remove-the-rule', { label: rule.label })}
        </Button>
      )}
    </fieldset>
  );
}
