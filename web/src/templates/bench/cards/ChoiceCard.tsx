import { useQuery } from '@tanstack/react-query';
import { allOf } from '../../../api/all';
import { answer, api, type Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { Button, inputLook } from '../../../ui/parts';
import { ConditionBuilder } from '../../ConditionBuilder';
import { caseKey } from '../../names';
import { Faults, fieldsFor, Given, relabelled } from '../../ruleParts';
import type { Bench } from '../bench';
import { Setting } from './parts';

type Choice = Schemas['CaseChoice'];

/** One choice with its cases, the condition and the clause of each. */
export function ChoiceCard({
  bench,
  index,
  onOpen,
}: {
  bench: Bench;
  index: number;
  onOpen: (key: string | undefined) => void;
}) {
  const { settings, detail, fixed } = bench;
  const clauses = useClauseNames();
  const choice = settings.choices[index];
  if (!choice) return null;
  const put = (choices: Choice[]) => bench.change({ ...settings, choices });
  const set = (part: Partial<Choice>) =>
    put(settings.choices.map((one, at) => (at === index ? { ...one, ...part } : one)));
  const { cases } = choice;
  const change = (at: number, part: Partial<Choice['cases'][number]>) =>
    set({ cases: cases.map((one, i) => (i === at ? { ...one, ...part } : one)) });
  return (
    <fieldset
      disabled={fixed}
      aria-label={say('templates.choice', { name: choice.name })}
      className="flex min-w-0 flex-col gap-2"
    >
      <Setting label={say('templates.choice-in-your-words')}>
        <input
          className={inputLook}
          value={choice.label}
          onChange={(event) => set(relabelled(choice, event.target.value))}
        />
      </Setting>
      <Setting label={say('templates.name-in-tags')}>
        <input
          className={`${inputLook} font-mono`}
          value={choice.name}
          onChange={(event) => set({ name: event.target.value })}
        />
      </Setting>
      <p className="text-soft">
        {say('templates.the-first-case-whose-condition')}
        <code>{`{{#${choice.name}.${caseKey(cases[0]?.label ?? '')}}}`}</code>
        {say('templates.or-the-clause-by')}
        <code>{`{{>*${choice.name}}}`}</code>.
      </p>
      {cases.map((one, i) => {
        const last = i === cases.length - 1;
        return (
          <div key={i} className="flex flex-col gap-1 border-t border-rule pt-2">
            <div className="grid grid-cols-2 gap-3">
              <Setting label={say('templates.case')}>
                <input
                  className={inputLook}
                  value={one.label}
                  onChange={(event) => change(i, { label: event.target.value })}
                />
              </Setting>
              <Setting label={say('templates.clause-for', { label: one.label })}>
                <select
                  className={inputLook}
                  value={one.clause}
                  onChange={(event) => change(i, { clause: event.target.value })}
                >
                  <option value="">{say('templates.no-clause')}</option>
                  {clauses.map((name) => (
                    <option key={name}>{name}</option>
                  ))}
                </select>
              </Setting>
            </div>
            {last ? (
              <p className="text-soft">{say('templates.in-all-other-cases')}</p>
            ) : (
              <Setting label={say('templates.condition-of-feel', { label: one.label })}>
                <input
                  spellCheck={false}
                  className={`${inputLook} font-mono`}
                  value={one.condition}
                  onChange={(event) => change(i, { condition: event.target.value })}
                />
              </Setting>
            )}
            {!fixed && !last && (
              <ConditionBuilder
                of={one.label}
                fields={fieldsFor(settings, { within: '', name: choice.name })}
                expression={one.condition}
                onChange={(condition) => change(i, { condition })}
              />
            )}
            <Faults detail={detail} name={choice.name} place={one.label} />
            {!fixed && cases.length > 2 && !last && (
              <Button
                className="self-start"
                onClick={() => set({ cases: cases.filter((_, at) => at !== i) })}
              >
                {say('templates.remove-the-case', { label: one.label })}
              </Button>
            )}
          </div>
        );
      })}
      <Faults detail={detail} name={choice.name} place="" />
      <Given detail={detail} name={choice.name} />
      {!fixed && (
        <div className="flex flex-wrap gap-2 border-t border-rule pt-2">
          <Button
            onClick={() =>
              set({
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
          <Button
            onClick={() => {
              put(settings.choices.filter((_, at) => at !== index));
              onOpen(undefined);
            }}
          >
            {say('templates.remove-the-choice', { label: choice.label })}
          </Button>
        </div>
      )}
    </fieldset>
  );
}

/** The names of all clauses that the library has. */
export function useClauseNames(enabled = true): string[] {
  const clauses = useQuery({
    queryKey: ['clauses', 'all'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/clauses', { params: { query: { page } } }))),
    enabled,
  });
  return clauses.data?.map((one) => one.name) ?? [];
}
