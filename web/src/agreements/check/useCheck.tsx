import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type ReactNode } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { answerNotes } from '../../intake/answerNotes';
import type { Choosing, Opening } from '../../page/AnnotatedPages';
import { say } from '../../messages/rooms';
import type { MarginHead } from '../../page/Margin';
import { MarginList } from '../../page/MarginList';
import { focusWords, type Chosen } from '../../page/WordsLayer';
import { AnswerCard } from './AnswerCard';
import { ChangeWords } from './ChangeWords';

/** The answer that is being looked at: the name of its datum, and the document beside which it is. */
export type Looked = { name: string; document: string };

export type Answering = {
  looked: Looked | undefined;
  onLook: (looked: Looked | undefined) => void;
};

const keyOf = (name: string) => `datum.${name}`;
const nameOf = (key: string) => key.slice('datum.'.length);

/** The request that an agreement was made from; nothing while it isn't known, or where there is none. */
export function useRequest(number: string, wanted: boolean) {
  return useQuery({
    queryKey: ['request', number],
    queryFn: () => answer(api.GET('/api/v1/requests/{number}', { params: { path: { number } } })),
    enabled: wanted && number !== '',
  }).data;
}

/** What can be done on the pages while an agreement is checked: answers corrected beside them, words changed on them. */
export function useCheck({
  detail,
  document,
  request,
  answering,
  first,
  printed,
}: {
  detail: Schemas['AgreementDetail'];
  document: Schemas['DocumentView'];
  request: Schemas['RequestDetail'] | undefined;
  /** Without it nothing is changed here. */
  answering: Answering | undefined;
  /** Whether it is the first of the documents, beside which stands what is on no page. */
  first: boolean;
  /** Names of the data that this document prints; nothing while they aren't known. */
  printed: string[] | undefined;
}): {
  opening?: Opening | undefined;
  leftHead?: MarginHead | undefined;
  choosing?: Choosing | undefined;
} {
  const [chosen, setChosen] = useState<Chosen>();
  const [place, setPlace] = useState<number>();
  const [wantsOff, setWantsOff] = useState(false);
  const input = useRef<HTMLTextAreaElement>(null);
  const wanted = useRef(false);
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ['agreement', detail.row.number] });
  if (!answering) return {};
  const notes = request ? answerNotes(request) : {};
  const { looked, onLook } = answering;
  const card = (key: string): ReactNode =>
    request && (
      <AnswerCard
        key={key}
        request={request}
        name={nameOf(key)}
        note={notes[nameOf(key)] ?? ''}
        onDone={() => onLook(undefined)}
      />
    );
  const open = looked?.document === document.id ? keyOf(looked.name) : undefined;
  const onOpen = (key: string | undefined, at?: number) => {
    setPlace(at);
    // rules, clauses and passages have no answer of their own
    if (key === undefined) onLook(undefined);
    else if (key.startsWith('datum.')) onLook({ name: nameOf(key), document: document.id });
  };
  const off = detail.data
    .filter(
      ({ name, printed: value }) =>
        value === '' ||
        request?.unprinted.includes(name) ||
        // what decides, or names somebody, stands beside the pages of the only document
        (detail.documents.length === 1 && printed && !printed.includes(name)),
    )
    .map((one) => ({
      key: keyOf(one.name),
      label: one.label,
      told: one.printed || say('agreements.blank'),
    }));
  const offOpen = off.some(({ key }) => key === open);
  const done = () => {
    setChosen(undefined);
    void again();
  };
  return {
    opening: request && { key: open, place, onOpen, card },
    leftHead:
      request && first && off.length
        ? {
            open: wantsOff || offOpen,
            node: (
              <MarginList
                label={say('agreements.off-the-pages')}
                head={say('agreements.off-the-pages-count', { count: off.length })}
                items={off}
                shown={wantsOff || offOpen}
                open={open}
                onShown={(shown) => {
                  setWantsOff(shown);
                  if (!shown && offOpen) onLook(undefined);
                }}
                onOpen={onOpen}
                card={card}
              />
            ),
          }
        : undefined,
    choosing:
      document.kind === 'GENERATED'
        ? {
            chosen,
            onChosen: setChosen,
            onAct: () => {
              wanted.current = input.current === null;
              input.current?.focus();
            },
            acts: chosen && (
              <ChangeWords
                key={`${chosen.page} ${chosen.words.before} ${chosen.words.text}`}
                path={{ number: detail.row.number, document: document.id }}
                words={chosen.words}
                input={input}
                wanted={wanted}
                onDone={done}
                onLeave={() => {
                  setChosen(undefined);
                  focusWords(chosen.page);
                }}
              />
            ),
          }
        : undefined,
  };
}
