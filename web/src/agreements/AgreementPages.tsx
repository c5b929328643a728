import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { useSay } from '../messages/useSay';
import { AnnotatedPages } from '../page/AnnotatedPages';
import type { Thing } from '../page/thing';
import type { Sheet } from '../page/useOpened';
import { ActorNote } from '../page/ActorNote';
import { printedThings } from './printedThings';
import { calledIn } from '../signingFields/kinds';
import { Trouble } from '../ui/parts';

type Props = { detail: Schemas['AgreementDetail']; document: Schemas['DocumentView'] };

/** The pages of one document, with the agreement's data beside the words that they became. */
export function AgreementPages({ detail, document }: Props) {
  const words = useSay();
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
  const left = useCallback(
    (of: Sheet): Thing[] => printedThings(data, things ?? [], of.printed),
    [data, things],
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
  return (
    <>
      <Trouble error={printed.error} />
      <AnnotatedPages
        sheet={sheet}
        left={left}
        right={right}
        actors={people}
        signed={detail.row.state === 'COMPLETED'}
      />
    </>
  );
}
