import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { Button, Empty, inputLook } from '../ui/parts';
import { typeWords } from '../ui/words';
import { nameFor } from './ActsOnWords';
import { ConditionBuilder } from './ConditionBuilder';
import type { Settings } from './useTemplate';

type Rule = Schemas['Rule'];
type Choice = Schemas['Choice'];
type Detail = Schemas['TemplateDetail'];

const gives: Rule['gives'][] = ['YES_NO', 'NUMBER', 'MONEY', 'DATE', 'TEXT', 'ITEMS'];

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
        <Empty>
          A rule says what follows from the data: a passage for loans from abroad, a total, a
          deadline. The wording uses it by its name, as in {'{{#abroad}} … {{/abroad}}'}.
        </Empty>
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
                  label: 'New rule',
                  within: '',
                  expression: '',
                  gives: 'YES_NO',
                },
              ])
            }
          >
            Add a rule
          </Button>
          <Button
            onClick={() =>
              setChoices([
                ...choices,
                {
                  name: unused('new_choice'),
                  label: 'New choice',
                  cases: [
                    { label: 'First case', condition: '', clause: '' },
                    { label: 'Otherwise', condition: '', clause: '' },
                  ],
                },
              ])
            }
          >
            Add a choice between cases
          </Button>
        </div>
      )}
    </div>
  );
}

/** A name that nobody has chosen yet follows the label. */
function relabelled(one: { name: string; label: string }, label: string) {
  const untouched = /^new_(rule|choice)/.test(one.name) || one.name === nameFor(one.label);
  return untouched ? { label, name: nameFor(label) || one.name } : { label };
}

function Faults({ detail, name, place }: { detail: Detail; name: string; place?: string }) {
  const faults = detail.ruleFaults.filter(
    (one) => one.rule === name && (place === undefined || one.place === place),
  );
  return faults.map((one, i) => (
    <p key={i} className="text-oxide">
      {one.place && place === undefined && <>Case {one.place}: </>}
      {one.message} {one.cure}
    </p>
  ));
}

/** What the rule gives for each specimen, as last saved. */
function Given({ detail, name }: { detail: Detail; name: string }) {
  const trial = detail.trials.find((one) => one.rule === name);
  if (!trial?.given.length) return null;
  return (
    <dl className="flex flex-wrap gap-x-5 gap-y-1 border-t border-rule pt-2">
      {detail.content.specimens.map((specimen, i) => (
        <div key={i} className="flex gap-1">
          <dt className="text-soft">{specimen.name}:</dt>
          <dd>{trial.given[i]}</dd>
        </div>
      ))}
    </dl>
  );
}

function RuleCard({
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
      aria-label={`Rule ${rule.name}`}
      className="flex flex-col gap-2 border border-rule bg-sheet p-3"
    >
      <div className="grid grid-cols-[1fr_12rem_10rem_12rem_auto] items-end gap-3">
        <Cell label="Rule, in your words">
          <input
            className={inputLook}
            value={rule.label}
            onChange={(event) => change(relabelled(rule, event.target.value))}
          />
        </Cell>
        <Cell label="Name in tags">
          <input
            className={`${inputLook} font-mono`}
            value={rule.name}
            onChange={(event) => change({ name: event.target.value })}
          />
        </Cell>
        <Cell label="Gives">
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
        <Cell label="Worked out for">
          <select
            className={inputLook}
            value={rule.within}
            onChange={(event) => change({ within: event.target.value })}
          >
            <option value="">the whole agreement</option>
            {lists.map((list) => (
              <option key={list.name} value={list.name}>
                each of {list.label}
              </option>
            ))}
          </select>
        </Cell>
        {!fixed && <Button onClick={onRemove}>Remove</Button>}
      </div>
      <Cell label="Expression (FEEL)">
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

function fieldsFor(settings: Settings, rule: Pick<Rule, 'within' | 'name'>) {
  const items = settings.fields.find((field) => field.name === rule.within)?.items ?? [];
  const worked = settings.rules
    .filter((one) => one.name !== rule.name && one.within === '' && one.name)
    .map((one) => ({ name: one.name, type: one.gives, label: one.label, choices: [] as string[] }));
  return [...items, ...settings.fields, ...worked];
}

function ChoiceCard({
  choice,
  settings,
  detail,
  fixed,
  onChange,
  onRemove,
}: {
  choice: Choice;
  settings: Settings;
  detail: Detail;
  fixed: boolean;
  onChange: (choice: Choice) => void;
  onRemove: () => void;
}) {
  const clauses = useQuery({
    queryKey: ['clauses', ''],
    queryFn: () => answer(api.GET('/api/v1/clauses', { params: { query: { find: '' } } })),
  });
  const names = clauses.data?.items.map((one) => one.name) ?? [];
  const { cases } = choice;
  const change = (at: number, part: Partial<Choice['cases'][number]>) =>
    onChange({
      ...choice,
      cases: cases.map((one, i) => (i === at ? { ...one, ...part } : one)),
    });
  return (
    <fieldset
      disabled={fixed}
      aria-label={`Choice ${choice.name}`}
      className="flex flex-col gap-2 border border-rule bg-sheet p-3"
    >
      <div className="grid grid-cols-[1fr_12rem_auto] items-end gap-3">
        <Cell label="Choice, in your words">
          <input
            className={inputLook}
            value={choice.label}
            onChange={(event) => onChange({ ...choice, ...relabelled(choice, event.target.value) })}
          />
        </Cell>
        <Cell label="Name in tags">
          <input
            className={`${inputLook} font-mono`}
            value={choice.name}
            onChange={(event) => onChange({ ...choice, name: event.target.value })}
          />
        </Cell>
        {!fixed && <Button onClick={onRemove}>Remove</Button>}
      </div>
      <p className="text-soft">
        The first case whose condition holds is the one; the last is for all others. In the wording:{' '}
        <span className="font-mono">{`{{#${choice.name}.${nameFor(cases[0]?.label ?? '')}}}`}</span>
        , or the clause by <span className="font-mono">{`{{>*${choice.name}}}`}</span>.
      </p>
      {cases.map((one, i) => {
        const last = i === cases.length - 1;
        return (
          <div key={i} className="flex flex-col gap-1 border-t border-rule pt-2">
            <div className="grid grid-cols-[14rem_1fr_14rem_auto] items-end gap-3">
              <Cell label="Case">
                <input
                  className={inputLook}
                  value={one.label}
                  onChange={(event) => change(i, { label: event.target.value })}
                />
              </Cell>
              {last ? (
                <p className="min-h-9 py-2 text-soft">in all other cases</p>
              ) : (
                <Cell label={`Condition of ${one.label} (FEEL)`}>
                  <input
                    spellCheck={false}
                    className={`${inputLook} font-mono`}
                    value={one.condition}
                    onChange={(event) => change(i, { condition: event.target.value })}
                  />
                </Cell>
              )}
              <Cell label={`Clause for ${one.label}`}>
                <select
                  className={inputLook}
                  value={one.clause}
                  onChange={(event) => change(i, { clause: event.target.value })}
                >
                  <option value="">no clause</option>
                  {names.map((name) => (
                    <option key={name}>{name}</option>
                  ))}
                </select>
              </Cell>
              {!fixed && cases.length > 2 && !last && (
                <Button
                  onClick={() => onChange({ ...choice, cases: cases.filter((_, at) => at !== i) })}
                >
                  Remove
                </Button>
              )}
            </div>
            {!fixed && !last && (
              <ConditionBuilder
                of={one.label}
                fields={fieldsFor(settings, { within: '', name: choice.name })}
                expression={one.condition}
                onChange={(condition) => change(i, { condition })}
              />
            )}
            <Faults detail={detail} name={choice.name} place={one.label} />
          </div>
        );
      })}
      <Faults detail={detail} name={choice.name} place="" />
      {!fixed && (
        <Button
          className="self-start"
          onClick={() =>
            onChange({
              ...choice,
              cases: [
                ...cases.slice(0, -1),
                { label: `Case ${cases.length}`, condition: '', clause: '' },
                ...cases.slice(-1),
              ],
            })
          }
        >
          Add a case
        </Button>
      )}
      <Given detail={detail} name={choice.name} />
    </fieldset>
  );
}

function Cell({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-soft">{label}</span>
      {children}
    </label>
  );
}
