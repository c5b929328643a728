import { say } from '../messages/rooms';
import type { Schemas } from '../api/client';
import { Button, inputLook } from '../ui/parts';
import { typeWords } from '../ui/words';
import { ConditionBuilder } from './ConditionBuilder';
import { Cell, Faults, fieldsFor, Given, relabelled } from './ruleParts';
import type { Settings } from './useTemplate';

type Rule = Schemas['Rule'];
type Detail = Schemas['TemplateDetail'];

const gives: Rule['gives'][] = ['YES_NO', 'NUMBER', 'MONEY', 'DATE', 'TEXT', 'ITEMS'];

/** One rule: its words, its name, what it gives, and its expression. */
export function RuleCard({
  rule,
  settings,
  detail,
  fixed,
  onChange,
  onRemove,
}: {
  rule: Rule;
  settings: Settings;
  detail: Detail;
  fixed: boolean;
  onChange: (rule: Rule) => void;
  onRemove: () => void;
}) {
  const lists = settings.fields.filter((field) => field.type === 'ITEMS');
  const change = (part: Partial<Rule>) => onChange({ ...rule, ...part });
  return (
    <fieldset
      disabled={fixed}
      aria-label={say('templates.rule', { name: rule.name })}
      className="flex flex-col gap-2 border border-rule bg-sheet p-3"
    >
      <div className="grid grid-cols-[1fr_12rem_10rem_12rem_auto] items-end gap-3">
        <Cell label={say('templates.rule-in-your-words')}>
          <input
            className={inputLook}
            value={rule.label}
            onChange={(event) => change(relabelled(rule, event.target.value))}
          />
        </Cell>
        <Cell label={say('templates.name-in-tags')}>
          <input
            className={`${inputLook} font-mono`}
            value={rule.name}
            onChange={(event) => change({ name: event.target.value })}
          />
        </Cell>
        <Cell label={say('templates.gives')}>
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
        </Cell>
        <Cell label={say('templates.worked-out-for')}>
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
        </Cell>
        {!fixed && <Button onClick={onRemove}>{say('templates.remove')}</Button>}
      </div>
      <Cell label={say('templates.expression-feel')}>
        <textarea
          rows={2}
          spellCheck={false}
          className={`${inputLook} font-mono`}
          value={rule.expression}
          onChange={(event) => change({ expression: event.target.value })}
        />
      </Cell>
      {!fixed && rule.gives === 'YES_NO' && (
        <ConditionBuilder
          of={rule.label}
          fields={fieldsFor(settings, rule)}
          expression={rule.expression}
          onChange={(expression) => change({ expression })}
        />
      )}
      <Faults detail={detail} name={rule.name} />
      <Given detail={detail} name={rule.name} />
    </fieldset>
  );
}
