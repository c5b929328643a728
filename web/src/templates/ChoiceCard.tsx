import { say } from '../messages/rooms';
import { useQuery } from '@tanstack/react-query';
import { allOf } from '../api/all';
import { answer, api, type Schemas } from '../api/client';
import { Button, inputLook } from '../ui/parts';
import { ConditionBuilder } from './ConditionBuilder';
import { caseKey } from './names';
import { Cell, Faults, fieldsFor, Given, relabelled } from './ruleParts';
import type { Settings } from './useTemplate';

type Choice = Schemas['CaseChoice'];
type Detail = Schemas['TemplateDetail'];

/** One choice with its cases, the condition and the clause of each. */
export function ChoiceCard({
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
    queryKey: ['clauses', 'all'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/clauses', { params: { query: { page } } }))),
  });
  const names = clauses.data?.map((one) => one.name) ?? [];
  const { cases } = choice;
  const change = (at: number, part: Partial<Choice['cases'][number]>) =>
    onChange({
      ...choice,
      cases: cases.map((one, i) => (i === at ? { ...one, ...part } : one)),
    });
  return (
    <fieldset
      disabled={fixed}
      aria-label={say('templates.choice', { name: choice.name })}
      className="flex flex-col gap-2 border border-rule bg-sheet p-3"
    >
      <div className="grid grid-cols-[1fr_12rem_auto] items-end gap-3">
        <Cell label={say('templates.choice-in-your-words')}>
          <input
            className={inputLook}
            value={choice.label}
            onChange={(event) => onChange({ ...choice, ...relabelled(choice, event.target.value) })}
          />
        </Cell>
        <Cell label={say('templates.name-in-tags')}>
          <input
            className={`${inputLook} font-mono`}
            value={choice.name}
            onChange={(event) => onChange({ ...choice, name: event.target.value })}
          />
        </Cell>
        {!fixed && <Button onClick={onRemove}>{say('templates.remove')}</Button>}
      </div>
      <p className="text-soft">
        {say('templates.the-first-case-whose-condition')}
        <span className="font-mono">{`{{#${choice.name}.${caseKey(cases[0]?.label ?? '')}}}`}</span>
        {say('templates.or-the-clause-by')}
        <span className="font-mono">{`{{>*${choice.name}}}`}</span>.
      </p>
      {cases.map((one, i) => {
        const last = i === cases.length - 1;
        return (
          <div key={i} className="flex flex-col gap-1 border-t border-rule pt-2">
            <div className="grid grid-cols-[14rem_1fr_14rem_auto] items-end gap-3">
              <Cell label={say('templates.case')}>
                <input
                  className={inputLook}
                  value={one.label}
                  onChange={(event) => change(i, { label: event.target.value })}
                />
              </Cell>
              {last ? (
                <p className="min-h-9 py-2 text-soft">{say('templates.in-all-other-cases')}</p>
              ) : (
                <Cell label={say('templates.condition-of-feel', { label: one.label })}>
                  <input
                    spellCheck={false}
                    className={`${inputLook} font-mono`}
                    value={one.condition}
                    onChange={(event) => change(i, { condition: event.target.value })}
                  />
                </Cell>
              )}
              <Cell label={say('templates.clause-for', { label: one.label })}>
                <select
                  className={inputLook}
                  value={one.clause}
                  onChange={(event) => change(i, { clause: event.target.value })}
                >
                  <option value="">{say('templates.no-clause')}</option>
                  {names.map((name) => (
                    <option key={name}>{name}</option>
                  ))}
                </select>
              </Cell>
              {!fixed && cases.length > 2 && !last && (
                <Button
                  onClick={() => onChange({ ...choice, cases: cases.filter((_, at) => at !== i) })}
                >
                  {say('templates.remove')}
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
                {
                  label: say('templates.case-number', { count: cases.length }),
                  condition: '',
                  clause: '',
                },
                ...cases.slice(-1),
              ],
            })
          }
        >
          {say('templates.add-a-case')}
        </Button>
      )}
      <Given detail={detail} name={choice.name} />
    </fieldset>
  );
}
