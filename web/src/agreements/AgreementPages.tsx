import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import { AnnotatedPages } from '../page/AnnotatedPages';
import { FreePage, HereMark, type Here } from '../page/FreePage';
import type { Thing } from '../page/thing';
import type { Sheet } from '../page/useOpened';
import { ActorNote } from '../page/ActorNote';
import { useCheck, type Answering } from './check/useCheck';
import { printedThings } from './printedThings';
import { calledIn } from '../signingFields/kinds';
import { Button, Trouble } from '../ui/parts';
import { PutField } from './PutField';

type Props = {
  detail: Schemas['AgreementDetail'];
  document: Schemas['DocumentView'];
  /** Told when a field was put on a page or taken off; without it none can be. */
  onTook?: ((detail: Schemas['AgreementDetail']) => void) | undefined;
  /** The request that it was made from, as far as it is known. */
  request?: Schemas['RequestDetail'] | undefined;
  /** Which answer is looked at; without it none can be corrected and no word changed. */
  answering?: Answering | undefined;
  /** Whether it is the first of the agreement's documents. */
  first?: boolean;
};

/** The pages of one document, with the agreement's data beside the words that they became. */
export function AgreementPages({
  detail,
  document,
  onTook,
  request,
  answering,
  first = true,
}: Props) {
  const words = useSay();
  const queries = useQueryClient();
  const { number, changedAt } = detail.row;
  const path = { number, document: document.id };
  const printed = useQuery({
    queryKey: ['printed', number, document.id, changedAt],
    queryFn: () =>
      answer(
        api.GET('/api/v1/agreements/{number}/documents/{document}/printed', { params: { path } }),
      ),
    staleTime: Infinity,
  });
  const sheet = useMemo(
    (): Sheet => ({
      url: `/api/v1/agreements/${number}/documents/${document.id}.pdf?at=${changedAt}`,
      pages: document.pages,
      printed: printed.data?.lines ?? [],
    }),
    [number, document, changedAt, printed.data],
  );
  const { data, people } = detail;
  const things = printed.data?.things;
  const check = useCheck({
    detail,
    document,
    request,
    answering,
    first,
    printed: things?.map(({ datum }) => datum),
  });
  const begun = useMemo(() => (request ? asItBegan(request) : []), [request]);
  const left = useCallback(
    (of: Sheet): Thing[] =>
      printedThings(data, things ?? [], of.printed).map((thing) =>
        begun.includes(thing.key) ? { ...thing, body: <AsItBegan label={thing.label} /> } : thing,
      ),
    [data, things, begun],
  );
  const right = useCallback(
    (of: Sheet): Thing[] =>
      of.pages.fields.map(({ field, ...line }) => {
        const at = people.findIndex(({ party }) => party === field.party);
        const label = people[at]?.label ?? say('templates.nobody', { party: field.party });
        const called = calledIn(words, field);
        return {
          key: field.name,
          label: `${label}, ${called}`,
          lines: [line],
          spans: false,
          body: <ActorNote ordinal={at + 1} label={label} called={called} />,
        };
      }),
    [people, words],
  );
  const [here, setHere] = useState<Here>();
  const takeOff = useMutation({
    mutationFn: (field: string) =>
      answer(
        api.DELETE('/api/v1/agreements/{number}/documents/{document}/places/{field}', {
          params: { path: { ...path, field } },
        }),
      ),
    onSuccess: (taken) => onTook?.(taken),
  });
  const byHand = onTook && document.kind === 'FIXED' && document.id !== 'contents';
  return (
    <>
      <Trouble error={printed.error ?? takeOff.error} />
      {byHand && (
        <p className="flex flex-wrap items-center gap-2 pb-2 text-soft">
          {say('agreements.press-to-put')}
          {document.given.map((field) => (
            <Button
              key={field.name}
              disabled={takeOff.isPending}
              onClick={() => takeOff.mutate(field.name)}
            >
              {say('agreements.take-off', {
                field: `${people.find(({ party }) => party === field.party)?.label ?? field.party}, ${calledIn(words, field)}`,
              })}
            </Button>
          ))}
        </p>
      )}
      <AnnotatedPages
        sheet={sheet}
        left={left}
        right={right}
        actors={people}
        {...check}
        signed={detail.row.state === 'COMPLETED'}
        onFailed={() => void queries.invalidateQueries({ queryKey: ['agreement', number] })}
        over={
          byHand
            ? (page, size) => (
                <>
                  <FreePage page={page} size={size} lines={[]} onHere={setHere} />
                  {here?.box.page === page && (
                    <HereMark here={here} size={size}>
                      <PutField
                        detail={detail}
                        document={document}
                        here={here}
                        onDone={(taken) => {
                          setHere(undefined);
                          onTook(taken);
                        }}
                        onLeave={() => setHere(undefined)}
                      />
                    </HereMark>
                  )}
                </>
              )
            : undefined
        }
      />
    </>
  );
}

/** A value that prints though nobody has typed it. */
function AsItBegan({ label }: { label: string }) {
  return (
    <span className="line-clamp-2 min-w-0 text-soft">
      {label}, <em className="text-clay">{say('agreements.as-the-form-began')}</em>
    </span>
  );
}

/** Keys of the data whose values are those that the form began with. */
function asItBegan({ form, values }: Schemas['RequestDetail']): string[] {
  return form.fields
    .filter(({ name }) => values[name] && values[name] === form.initials[name])
    .map(({ name }) => `datum.${name}`);
}
