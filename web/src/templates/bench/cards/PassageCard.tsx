import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { Trouble } from '../../../ui/parts';
import { allFields, placedField, type Bench } from '../bench';
import { caseLabel, keyOfSubject, passageLabel } from '../things';
import { ChoiceCard } from './ChoiceCard';
import { LinkTo } from './FieldCard';
import { Part, Places, type Walk } from './parts';
import { RuleCard } from './RuleCard';

type Passage = Schemas['Passage'];

/** What decides a passage, as a sentence and as FEEL, and which specimens print it. */
export function PassageCard({
  bench,
  passages,
  walk,
  onOpen,
}: {
  bench: Bench;
  /** Several are the cases of one choice. */
  passages: Passage[];
  walk: Walk;
  onOpen: (key: string | undefined) => void;
}) {
  const [first] = passages;
  if (!first) return null;
  return (
    <div className="flex min-w-0 flex-col gap-2">
      {passages.map((passage) => (
        <p key={passage.number}>
          <strong className="font-medium">
            {passages.length > 1
              ? caseLabel(bench.detail, passage)
              : passageLabel(bench.detail, passage)}
          </strong>
          {passage.begins && (
            <>
              {': '}
              <q className="font-serif">{passage.begins}</q>
            </>
          )}
        </p>
      ))}
      <Places walk={walk} />
      <PrintedBy bench={bench} passages={passages} />
      <Part title={say('templates.what-decides')}>
        <Decider bench={bench} name={first.name} onOpen={onOpen} />
      </Part>
      <p className="text-soft">
        {say('templates.tag-in-the-word-file')}{' '}
        <code>{`{{${first.inverted ? '^' : '#'}${first.name}}}`}</code>
      </p>
    </div>
  );
}

/** What a passage's name means: a rule, a choice, or a field itself. */
function Decider({
  bench,
  name,
  onOpen,
}: {
  bench: Bench;
  name: string;
  onOpen: (key: string | undefined) => void;
}) {
  const { settings } = bench;
  const [base = ''] = name.split('.');
  const rule = settings.rules.findIndex((one) => one.name === base);
  if (rule >= 0) return <RuleCard bench={bench} index={rule} onOpen={onOpen} />;
  const choice = settings.choices.findIndex((one) => one.name === base);
  if (choice >= 0) return <ChoiceCard bench={bench} index={choice} onOpen={onOpen} />;
  const placed =
    placedField(settings, base) ??
    allFields(settings.fields).find((one) => one.field.name === base);
  if (!placed) return <p className="text-soft">{say('templates.nothing-decides', { name })}</p>;
  const { field, lists } = placed;
  const list = lists.at(-1)?.name ?? '';
  return (
    <p>
      <LinkTo onClick={() => onOpen(keyOfSubject({ kind: 'field', name: base, list }))}>
        {say('templates.the-field', { label: field.label })}
      </LinkTo>{' '}
      <code>{feelOf(field.type, name)}</code>
    </p>
  );
}

/** What a section by a field's name asks, in FEEL. */
function feelOf(type: string, name: string): string {
  const [base = '', key] = name.split('.');
  if (key !== undefined) return `${base} = "${key}"`;
  if (type === 'YES_NO') return `${base} = true`;
  return type === 'ITEMS' ? `count(${base}) > 0` : `${base} != null`;
}

function PrintedBy({
  bench: { detail, unsaved, document },
  passages,
}: {
  bench: Bench;
  passages: Passage[];
}) {
  const { id, version, revision, content } = detail;
  const reached = useQuery({
    queryKey: ['passages', id, document, version, revision],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/passages', {
          params: { path: { id }, query: { document } },
        }),
      ),
    enabled: !unsaved && content.specimens.length > 0,
    placeholderData: (before) => before,
  });
  if (!content.specimens.length) return null;
  return (
    <Part title={say('templates.printed-by-specimens')}>
      <Trouble error={reached.error} />
      {passages.map((passage) => {
        const by = reached.data?.find(({ number }) => number === passage.number)?.specimens ?? [];
        const names = by.map((at) => content.specimens[at]?.name ?? '').join(', ');
        return (
          <p key={passage.number} className={names ? '' : 'text-clay'}>
            {passages.length > 1 && (
              <span className="text-soft">{caseLabel(detail, passage)}: </span>
            )}
            {reached.data && (names || say('templates.no-specimen-prints-it'))}
          </p>
        );
      })}
    </Part>
  );
}
