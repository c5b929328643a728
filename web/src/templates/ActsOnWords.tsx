import { say } from '../messages/rooms';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { allOf } from '../api/all';
import { answer, api, type Schemas } from '../api/client';
import type { Words } from '../page/words';
import { Button, inputLook, Trouble } from '../ui/parts';
import { caseKey, nameFor } from './names';

type Detail = Schemas['TemplateDetail'];
type Act = Schemas['WordingAct']['act'];

const acts: { act: Act; words: string; caret: boolean }[] = [
  { act: 'MARK_FIELD', words: say('templates.become-the-field'), caret: false },
  { act: 'MARK_PASSAGE', words: say('templates.print-for'), caret: false },
  { act: 'MARK_INVERTED_PASSAGE', words: say('templates.print-unless'), caret: false },
  { act: 'INSERT', words: say('templates.put-in-here-the-field'), caret: true },
  { act: 'INSERT_CLAUSE', words: say('templates.put-in-after-this-paragraph'), caret: true },
];

/** What can be done with the words chosen on the page, each act in the Word file itself. */
export function ActsOnWords({
  detail,
  words,
  onTaken,
}: {
  detail: Detail;
  words: Words | undefined;
  onTaken: (detail: Detail) => void;
}) {
  const caret = words !== undefined && words.text === '';
  const usable = acts.filter((one) => one.caret === caret);
  const [act, setAct] = useState<Act>('MARK_FIELD');
  const [name, setName] = useState('');
  const [last, setLast] = useState<{ words: Words; name: string; further: number }>();
  useEffect(() => {
    if (!words) return;
    setAct(words.text ? 'MARK_FIELD' : 'INSERT');
    setName(words.text ? nameFor(words.text) : '');
    setLast(undefined);
  }, [words]);
  const clauses = useQuery({
    queryKey: ['clauses', 'all'],
    queryFn: () =>
      allOf((page) => answer(api.GET('/api/v1/clauses', { params: { query: { page } } }))),
    enabled: act === 'INSERT_CLAUSE',
  });
  const path = { params: { path: { id: detail.id } } };
  const carryOut = useMutation({
    mutationFn: (body: { act: Act; words: Words; name: string; everywhere: boolean }) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/acts', {
          ...path,
          body: { revision: detail.revision, ...body },
        }),
      ),
    onSuccess: (done, body) => {
      onTaken(done.template);
      setLast(
        done.further > 0
          ? { words: body.words, name: body.name, further: done.further }
          : undefined,
      );
    },
  });
  const everywhere = useMutation({
    mutationFn: async (of: { words: Words; name: string }) => {
      const before = await answer(
        api.POST('/api/v1/templates/{id}/wording/undo', {
          ...path,
          body: { revision: detail.revision },
        }),
      );
      return answer(
        api.POST('/api/v1/templates/{id}/wording/acts', {
          ...path,
          body: { revision: before.revision, act: 'MARK_FIELD', ...of, everywhere: true },
        }),
      );
    },
    onSuccess: (done) => {
      setLast(undefined);
      onTaken(done.template);
    },
  });
  const known =
    act === 'INSERT_CLAUSE'
      ? [
          ...(clauses.data?.map((one) => one.name) ?? []),
          ...detail.content.choices.map((one) => `*${one.name}`),
        ]
      : names(detail, act);
  return (
    <section
      aria-label={say('templates.acts-on-the-words')}
      className="sticky top-0 z-[1] mb-4 flex min-h-12 flex-wrap items-center gap-x-3 gap-y-2 border-y border-rule bg-paper py-2"
    >
      {!words && !last && <p className="text-soft">{say('templates.select-words-on-the-page')}</p>}
      {words && (
        <form
          className="flex grow flex-wrap items-center gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            carryOut.mutate({ act, words, name, everywhere: false });
          }}
        >
          {words.text ? (
            <span className="max-w-96 truncate">
              {say('templates.the-words')}
              <q className="font-serif">{words.text}</q>
            </span>
          ) : (
            <span className="max-w-96 truncate">
              {say('templates.after')}
              <q className="font-serif">{words.before.slice(-24)}</q>
            </span>
          )}
          <select
            aria-label={say('templates.what-to-do')}
            className="min-h-9 rounded-sm border border-edge bg-sheet px-2"
            value={act}
            onChange={(event) => setAct(event.target.value as Act)}
          >
            {usable.map((one) => (
              <option key={one.act} value={one.act}>
                {one.words}
              </option>
            ))}
          </select>
          <input
            aria-label={say('templates.name')}
            list="known-names"
            required
            className={`${inputLook} max-w-64 font-mono`}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <datalist id="known-names">
            {known.map((one) => (
              <option key={one} value={one} />
            ))}
          </datalist>
          <Button type="submit" look="main" disabled={!name.trim() || carryOut.isPending}>
            {say('templates.do-it-in-the-word')}
          </Button>
        </form>
      )}
      {last && (
        <>
          <span>{say('templates.the-same-words-stand-in', { further: last.further })}</span>
          <Button disabled={everywhere.isPending} onClick={() => everywhere.mutate(last)}>
            {say('templates.make-the-field-too', { further: last.further, name: last.name })}
          </Button>
          <Button onClick={() => setLast(undefined)}>
            {say('templates.leave', { further: last.further })}
          </Button>
        </>
      )}
      <Trouble error={carryOut.error ?? everywhere.error} />
    </section>
  );
}

function names(detail: Detail, act: Act): string[] {
  const { fields, rules, choices, parties } = detail.content;
  const all = fields.flatMap((field) => [field.name, ...field.items.map((one) => one.name)]);
  if (act === 'INSERT') {
    const signing = parties.flatMap((party) =>
      ['signature', 'full_name', 'date_signed', 'initials'].map((kind) => `${party.key}.${kind}`),
    );
    return [
      ...all,
      ...rules.map((rule) => rule.name),
      'generated_on',
      'agreement_number',
      ...signing,
    ];
  }
  if (act === 'MARK_FIELD') return all;
  const cases = choices.flatMap((choice) =>
    choice.cases.map((one) => `${choice.name}.${caseKey(one.label)}`),
  );
  return [
    ...rules.filter((rule) => rule.gives === 'YES_NO').map((rule) => rule.name),
    ...cases,
    ...fields
      .filter((field) => field.type === 'YES_NO' || field.type === 'ITEMS')
      .map((field) => field.name),
  ];
}
