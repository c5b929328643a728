import { useEffect, useId, useState, type RefObject } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Words } from '../../page/words';
import { Button, inputLook, Trouble } from '../../ui/parts';
import { marks } from '../marks';
import { caseKey } from '../names';
import { useDraftAct } from '../useDraftAct';
import type { Bench } from './bench';
import { useClauseNames } from './cards/ChoiceCard';
import { meant, ofParty, type Known } from './meant';
import type { Further } from './SameWords';

type Act = Schemas['WordingAct']['act'];

const acts: { act: Act; words: string; does: string; caret: boolean }[] = [
  {
    act: 'MARK_FIELD',
    words: say('templates.become-the-field'),
    does: say('templates.make-the-field'),
    caret: false,
  },
  {
    act: 'MARK_PASSAGE',
    words: say('templates.print-for'),
    does: say('templates.make-the-passage'),
    caret: false,
  },
  {
    act: 'MARK_INVERTED_PASSAGE',
    words: say('templates.print-unless'),
    does: say('templates.make-the-passage'),
    caret: false,
  },
  {
    act: 'INSERT',
    words: say('templates.put-in-here-the-field'),
    does: say('templates.put-it-in'),
    caret: true,
  },
  {
    act: 'INSERT_CLAUSE',
    words: say('templates.put-in-after-this-paragraph'),
    does: say('templates.put-it-in'),
    caret: true,
  },
  {
    act: 'INSERT_ANSWERS',
    words: say('templates.put-in-all-answers'),
    does: say('templates.put-them-in'),
    caret: true,
  },
  {
    act: 'INSERT_SIGNING_SET',
    words: say('templates.put-in-the-signature-set-of'),
    does: say('templates.put-it-in'),
    caret: true,
  },
  {
    act: 'INSERT_SIGNING_BLOCKS',
    words: say('templates.put-in-blocks-for-all-who-sign'),
    does: say('templates.put-them-in'),
    caret: true,
  },
];

/** What can be done with the words chosen on the page, or where the cursor stands: a small bar at the place. */
export function ActsBar({
  bench: { detail, document, took },
  words,
  input,
  wanted,
  onDone,
  onLeave,
}: {
  bench: Bench;
  words: Words;
  /** Where what it is tied to is typed; the keys that ask for the acts lead there. */
  input: RefObject<HTMLInputElement | null>;
  /** Whether it was asked for before it was there. */
  wanted: RefObject<boolean>;
  /** Told of places where the same words stand and were left. */
  onDone: (done: Further | undefined) => void;
  onLeave: () => void;
}) {
  useEffect(() => {
    if (wanted.current) input.current?.focus();
    wanted.current = false;
  }, [wanted, input]);
  const caret = words.text === '';
  const usable = acts.filter((one) => one.caret === caret);
  const [chosen, setChosen] = useState<Act>();
  const act = usable.find((one) => one.act === chosen) ?? usable[0];
  const [typed, setTyped] = useState<string>();
  const list = useId();
  const clauses = useClauseNames(act?.act === 'INSERT_CLAUSE');
  const known = act ? knownFor(detail, act.act, clauses) : [];
  const value = typed ?? (caret ? '' : firstWords(words.text));
  const alone = act?.act === 'INSERT_SIGNING_BLOCKS' || act?.act === 'INSERT_ANSWERS';
  const one = alone
    ? { name: '', label: '' }
    : act?.act === 'INSERT' || act?.act === 'MARK_FIELD'
      ? (ofParty(value, detail.content.parties) ?? meant(value, known))
      : meant(value, known);
  const carryOut = useDraftAct(
    detail.id,
    (revision, body: Omit<Schemas['WordingAct'], 'revision'>) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/acts', {
          params: { path: { id: detail.id } },
          body: { revision, ...body },
        }),
      ),
    (done, { name, label }) => {
      took(done.template);
      onDone(done.further > 0 ? { further: done.further, name, label, words } : undefined);
    },
  );
  if (!act) return null;
  return (
    <form
      aria-label={say('templates.acts-on-the-words')}
      className="flex flex-col gap-1 border border-edge bg-sheet p-2 text-ink shadow-page"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        onLeave();
      }}
      onSubmit={(event) => {
        event.preventDefault();
        if (one) carryOut.mutate({ act: act.act, document, words, everywhere: false, ...one });
      }}
    >
      <div className="flex items-center gap-2">
        <select
          aria-label={say('templates.what-to-do')}
          className={`min-h-8 rounded-sm border border-edge bg-sheet px-1 ${alone ? 'flex-1' : 'max-w-40'}`}
          value={act.act}
          onChange={(event) => setChosen(event.target.value as Act)}
        >
          {usable.map(({ act: key, words: said }) => (
            <option key={key} value={key}>
              {said}
            </option>
          ))}
        </select>
        <input
          hidden={alone}
          ref={input}
          aria-label={say('templates.name')}
          list={list}
          className={`${inputLook} min-h-8 min-w-0`}
          value={value}
          onChange={(event) => setTyped(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <datalist id={list}>
          {known.map(({ name, label }) => (
            <option key={name} value={label} />
          ))}
        </datalist>
      </div>
      <div className="flex min-h-8 items-center gap-2">
        <p className="mr-auto min-w-0 truncate text-soft">
          {one && (
            <>
              {say('templates.in-the-word-file')} <code>{tagFor(act.act, one.name, detail)}</code>
              {one.label && <> {say('templates.new-here')}</>}
            </>
          )}
        </p>
        <Button
          type="submit"
          look="main"
          className="whitespace-nowrap"
          disabled={!one || carryOut.isPending}
        >
          {act.does}
        </Button>
      </div>
      <Trouble error={carryOut.error} />
    </form>
  );
}

/** The tag that an act puts into the Word file. */
function tagFor(act: Act, name: string, { content }: Bench['detail']): string {
  if (act === 'INSERT_SIGNING_SET') return `{{${name}.signature}} …`;
  if (act === 'INSERT_ANSWERS') return '{{answers.block}}';
  if (act === 'INSERT_SIGNING_BLOCKS') {
    const signing = content.parties.filter((party) => party.duty === 'SIGNS');
    return signing.map(({ key }) => `{{${key}.signature}} …`).join(' ');
  }
  const sign = { MARK_PASSAGE: '#', MARK_INVERTED_PASSAGE: '^', INSERT_CLAUSE: '>' }[act as string];
  return `{{${sign ?? ''}${name}}}`;
}

/** What a person would call these words, from the first of them. */
const firstWords = (text: string) =>
  text.replace(/\s+/g, ' ').trim().split(' ').slice(0, 4).join(' ');

type Parties = Bench['detail']['content']['parties'];

/** What each party can be given a place for. */
const placesOf = (parties: Parties): Known[] =>
  parties.flatMap((party) =>
    Object.entries(marks).map(([kind, code]) => ({
      name: `${party.key}.${kind}`,
      label: say('templates.field-of-party', { party: party.label, field: say(code) }),
    })),
  );

/** What words can be tied to by an act, in the coordinator's words. */
export function knownFor({ content }: Bench['detail'], act: Act, clauses: string[]): Known[] {
  const { fields, rules, choices, parties } = content;
  const all = fields.flatMap((field) => [field, ...field.items]);
  const named = (things: Known[]) => things.map(({ name, label }) => ({ name, label }));
  switch (act) {
    case 'MARK_FIELD':
      return [...named(all), ...named(rules), ...placesOf(parties)];
    case 'INSERT_SIGNING_SET':
      return parties
        .filter((party) => party.duty === 'SIGNS')
        .map(({ key, label }) => ({ name: key, label }));
    case 'INSERT':
      return [
        ...named(all),
        ...named(rules),
        ...placesOf(parties),
        { name: 'generated_on', label: say('templates.day-of-generation') },
        { name: 'agreement_number', label: say('templates.agreement-number') },
      ];
    case 'INSERT_CLAUSE':
      return [
        ...clauses.map((name) => ({ name, label: name.replaceAll('_', ' ') })),
        ...choices.map(({ name, label }) => ({
          name: `*${name}`,
          label: say('templates.clause-by-choice', { label }),
        })),
      ];
    default:
      return [
        ...named(rules.filter((rule) => rule.gives === 'YES_NO')),
        ...choices.flatMap((choice) =>
          choice.cases.map((one) => ({
            name: `${choice.name}.${caseKey(one.label)}`,
            label: say('templates.case-of', { label: choice.label, found: one.label }),
          })),
        ),
        ...fields.flatMap((field) =>
          field.choices.map((one) => ({
            name: `${field.name}.${caseKey(one)}`,
            label: say('templates.case-of', { label: field.label, found: one }),
          })),
        ),
        ...named(fields.filter(({ type }) => type === 'YES_NO' || type === 'ITEMS')),
      ];
  }
}
