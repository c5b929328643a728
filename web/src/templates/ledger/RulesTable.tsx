import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/parts';
import { typeWords } from '../../ui/words';
import type { Bench } from '../bench/bench';
import { keyOfSubject } from '../bench/things';
import { newChoice, newRule } from '../newRules';
import { Faults, relabelled } from '../ruleParts';
import { cellLook, LedgerTable, type LedgerColumn } from './LedgerTable';

type Rule = Schemas['Rule'];
type Choice = Schemas['CaseChoice'];
type Row =
  { kind: 'rule'; index: number; one: Rule } | { kind: 'choice'; index: number; one: Choice };

const gives: Rule['gives'][] = ['YES_NO', 'NUMBER', 'MONEY', 'DATE', 'TEXT', 'ITEMS'];

/** All rules and choices: what each is called and what it says. */
export function RulesTable({ bench }: { bench: Bench }) {
  const { settings, fixed, change, detail } = bench;
  const { rules, choices } = settings;
  const rows: Row[] = [
    ...rules.map((one, index) => ({ kind: 'rule' as const, index, one })),
    ...choices.map((one, index) => ({ kind: 'choice' as const, index, one })),
  ];
  const setRule = (index: number, part: Partial<Rule>) =>
    change({
      ...settings,
      rules: rules.map((one, at) => (at === index ? { ...one, ...part } : one)),
    });
  const setChoice = (index: number, part: Partial<Choice>) =>
    change({
      ...settings,
      choices: choices.map((one, at) => (at === index ? { ...one, ...part } : one)),
    });
  const set = (row: Row, part: { label?: string; name?: string }) =>
    row.kind === 'rule' ? setRule(row.index, part) : setChoice(row.index, part);
  const columns: LedgerColumn<Row>[] = [
    {
      id: 'label',
      title: say('templates.in-your-words'),
      width: '24%',
      sort: ({ one }) => one.label,
      cell: (row) => (
        <input
          aria-label={say('templates.label-of', { called: row.one.label })}
          className={cellLook}
          disabled={fixed}
          value={row.one.label}
          onChange={(event) => set(row, relabelled(row.one, event.target.value))}
        />
      ),
    },
    {
      id: 'name',
      title: say('templates.name-in-tags'),
      width: '13rem',
      sort: ({ one }) => one.name,
      cell: (row) => (
        <input
          aria-label={say('templates.name-of', { called: row.one.label })}
          className={`${cellLook} font-mono`}
          disabled={fixed}
          value={row.one.name}
          onChange={(event) => set(row, { name: event.target.value })}
        />
      ),
    },
    {
      id: 'gives',
      title: say('templates.gives'),
      width: '9rem',
      sort: (row) => (row.kind === 'rule' ? typeWords[row.one.gives] : ''),
      cell: (row) =>
        row.kind === 'choice' ? (
          <span className="px-1 text-soft">{say('templates.one-of-its-cases')}</span>
        ) : (
          <select
            aria-label={say('templates.type-of', { called: row.one.label })}
            className={cellLook}
            disabled={fixed}
            value={row.one.gives}
            onChange={(event) => setRule(row.index, { gives: event.target.value as Rule['gives'] })}
          >
            {gives.map((type) => (
              <option key={type} value={type}>
                {typeWords[type]}
              </option>
            ))}
          </select>
        ),
    },
    {
      id: 'expression',
      title: say('templates.expression-feel'),
      cell: (row) =>
        row.kind === 'rule' ? (
          <>
            <input
              aria-label={say('templates.expression-of', { called: row.one.label })}
              spellCheck={false}
              className={`${cellLook} font-mono`}
              disabled={fixed}
              value={row.one.expression}
              onChange={(event) => setRule(row.index, { expression: event.target.value })}
            />
            <Faults detail={detail} name={row.one.name} />
          </>
        ) : (
          <>
            <CasesCell
              choice={row.one}
              fixed={fixed}
              onChange={(cases) => setChoice(row.index, { cases })}
            />
            <Faults detail={detail} name={row.one.name} />
          </>
        ),
    },
    {
      id: 'card',
      title: '',
      width: '4rem',
      cell: ({ kind, index, one }) => (
        <Link to={`?open=${keyOfSubject({ kind, index })}`}>
          {say('templates.on-the-page')} <span className="sr-only">{one.label}</span>
        </Link>
      ),
    },
  ];
  return (
    <LedgerTable
      label={say('templates.rules-and-choices')}
      rows={rows}
      columns={columns}
      keyOf={({ kind, index }) => `${kind}.${index}`}
      wordsOf={({ one }) => one.label}
      fixed={fixed}
      empty={say('templates.a-rule-says-what-follows')}
      tools={
        !fixed && (
          <>
            <Button onClick={() => change({ ...settings, rules: [...rules, newRule(settings)] })}>
              {say('templates.add-a-rule')}
            </Button>
            <Button
              onClick={() => change({ ...settings, choices: [...choices, newChoice(settings)] })}
            >
              {say('templates.add-a-choice-between-cases')}
            </Button>
          </>
        )
      }
      several={(chosen, onDone) => {
        const gone = (kind: Row['kind']) =>
          new Set(chosen.filter((row) => row.kind === kind).map(({ index }) => index));
        const [noRules, noChoices] = [gone('rule'), gone('choice')];
        return (
          <Button
            onClick={() => {
              change({
                ...settings,
                rules: rules.filter((_, index) => !noRules.has(index)),
                choices: choices.filter((_, index) => !noChoices.has(index)),
              });
              onDone();
            }}
          >
            {say('templates.remove')}
          </Button>
        );
      }}
    />
  );
}

/** The cases of a choice under one another: what each is called, and when it holds. */
function CasesCell({
  choice: { cases },
  fixed,
  onChange,
}: {
  choice: Choice;
  fixed: boolean;
  onChange: (cases: Choice['cases']) => void;
}) {
  const set = (at: number, part: Partial<Choice['cases'][number]>) =>
    onChange(cases.map((one, i) => (i === at ? { ...one, ...part } : one)));
  return cases.map((one, i) => (
    <div key={i} className="grid grid-cols-[minmax(0,1fr)_minmax(0,2fr)] gap-1">
      <input
        aria-label={say('templates.case-called', { label: one.label })}
        className={cellLook}
        disabled={fixed}
        value={one.label}
        onChange={(event) => set(i, { label: event.target.value })}
      />
      {i === cases.length - 1 ? (
        <span className="px-1 py-1 text-soft">{say('templates.in-all-other-cases')}</span>
      ) : (
        <input
          aria-label={say('templates.condition-of-feel', { label: one.label })}
          spellCheck={false}
          className={`${cellLook} font-mono`}
          disabled={fixed}
          value={one.condition}
          onChange={(event) => set(i, { condition: event.target.value })}
        />
      )}
    </div>
  ));
}
